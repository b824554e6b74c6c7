import type { Target } from '../../repatch/target';
import { stepsTo } from '../../repatch/target';
import { compile } from '../../graph/compile';
import { knobText } from '../../rig/knobText';
import type { AdaptorId, DeviceId, RoomId, StockId } from '../../rig/ids';
import { floorScene } from '../../repatch/floorScene';
import { knobOf, standsAt } from '../../repatch/knobs';

import { jackOfStep } from '../../repatch/sequence';
import type { CordStep, Step, Turn } from '../../repatch/step';
import { isCordStep, stepId } from '../../repatch/step';

import { cuesIn } from '../../cues/cuesIn';
import type { Scene, Session } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { JackLabel, Reader } from './jackLabel';
import { jackLabel } from './jackLabel';

import { findScene } from '../../session/scenePlace';
import type { TurnLine } from './turnRuns';
import { turnRuns } from './turnRuns';
import { armedStep, hasStage, heardOver, largeRises } from './stageSteps';

/** One step of the work list, ready to be read at the bay. */
export interface WorkStep {
  readonly id: string;
  readonly kind: Step['kind'];
  readonly room: string;
  readonly roomId?: RoomId;
  readonly title: string;
  /** The ends of a cord: where it is to be, or where it comes out. */
  readonly from?: JackLabel;
  readonly to?: JackLabel;
  /** The jack an end is moved out of, and which end that is. */
  readonly outOf?: JackLabel;
  readonly end?: 'from' | 'to';
  readonly cord?: { readonly kind: string; readonly colour: string };
  readonly adaptors: readonly string[];
  readonly turns: readonly TurnLine[];
  /** How long to wait, seconds. */
  readonly waitS?: number;
  readonly caution?: string;
}

export interface WorkList {
  readonly target: string;
  /** What is on the floor, or on its way there; undefined where nothing ever was. */
  readonly onFloor?: string;
  readonly steps: readonly WorkStep[];
  /** Gains that rise by more than a few dB on the way, to be looked at before anything is done. */
  readonly rises: readonly string[];
}

/** What a list is read with, and the cues that are heard before it is done, and then. */
interface CueReader extends Reader {
  readonly session: Session;
  /** Mains and wedges are told apart from monitors where a stage may be heard over them. */
  readonly hasStage: boolean;
  readonly cues: { readonly now: readonly string[]; readonly then: readonly string[] };
}

/** Until the capacitors of a line have lost their charge. Common practice, no source. */
export const DRAIN_S = 10;

function cordKind({ rig }: Reader, id: StockId): NonNullable<WorkStep['cord']> {
  const stock = rig.cords.find((each) => each.id === id);
  return {
    kind: stock === undefined ? 'cord' : `${stock.name}, ${String(stock.lengthM)} m`,
    colour: stock?.colour ?? '',
  };
}

function adaptorLine({ rig }: Reader, end: string, id: AdaptorId | undefined): readonly string[] {
  const adaptor = rig.adaptors.find((each) => each.id === id);
  return adaptor === undefined ? [] : [`${adaptor.name} at the ${end} end`];
}

const TITLE = { pull: 'Pull', move: 'Move one end', plug: 'Plug' } as const;

type Shown = Omit<WorkStep, 'id' | 'kind' | 'room' | 'roomId'>;

function cordStep(reader: Reader, step: CordStep): Shown {
  const title = TITLE[step.kind];
  if (step.kind === 'pull') {
    const { id, to, stock } = step.cord;
    const [from, end] = [jackLabel(reader, id), jackLabel(reader, to)];
    return { title, from, to: end, cord: cordKind(reader, stock), adaptors: [], turns: [] };
  }
  const { from, to, stock, fromAdaptor, toAdaptor } = step.becomes;
  return {
    title,
    from: jackLabel(reader, from),
    to: jackLabel(reader, to),
    ...(step.kind === 'move' && {
      outOf: jackLabel(reader, step.end === 'from' ? step.cord.id : step.cord.to),
      end: step.end,
    }),
    cord: cordKind(reader, step.kind === 'move' ? step.cord.stock : stock),
    adaptors: [...adaptorLine(reader, 'output', fromAdaptor), ...adaptorLine(reader, 'input', toAdaptor)],
    turns: [],
    ...(step.kind === 'plug' &&
      step.isShort && {
        caution: 'No such cord, or no such adaptor, is left on the hook by the count in the rig.',
      }),
  };
}

function turnLines({ rig }: Reader, turns: readonly Turn[]): readonly TurnLine[] {
  const lines = turns.flatMap(({ key, was, value }) => {
    const knob = knobOf(rig, key);
    if (knob === undefined) return [];
    const text = (stored: Turn['value']): string => knobText(knob.spec, standsAt(knob, stored));
    const isSwitch = typeof knob.spec.initial === 'boolean';
    const { title, channels } = knob.spec;
    return [
      {
        ...{ title, channel: channels > 1 ? knob.channel : undefined },
        ...{ was: text(was), value: text(value), isSwitch },
      },
    ];
  });
  return turnRuns(lines);
}

const POWER_CAUTION =
  '48 V can harm some microphones and pops loudly. Keep listeners off the line while it changes, and follow the house rules.';
const OPEN_CAUTION = 'Begin with the level down and bring it up slowly: loud surprises harm hearing.';

/** The cues by their names, and where their volumes are; without cues, and of monitors, the units alone. */
function quieted(
  { quiet, devices }: Extract<Step, { kind: 'mute' | 'open' }>,
  cues: readonly string[],
  nameOf: (id: DeviceId) => string,
): string {
  const units = devices.map(nameOf).join(', ');
  return quiet === 'cues' && cues.length > 0 ? `${cues.join(', ')} (${units})` : units;
}

function setStep(reader: CueReader, step: Extract<Step, { kind: 'set' }>, device: string): Shown {
  const isPower = step.turns.some(({ key }) => knobOf(reader.rig, key)?.spec.setting === 'phantom');
  return {
    title: `${step.isWayBack === true ? 'Back to the stage: set' : 'Set'} ${device}`,
    ...{ adaptors: [], turns: turnLines(reader, step.turns) },
    ...(isPower && { caution: POWER_CAUTION }),
  };
}

function otherStep(reader: CueReader, step: Exclude<Step, CordStep>): Shown {
  const nameOf = (id: DeviceId): string => reader.rig.devices.find((device) => device.id === id)?.name ?? id;
  const bare = { adaptors: [], turns: [] };
  switch (step.kind) {
    case 'mute':
      return {
        ...bare,
        title: `Mute ${heardOver(reader.hasStage, step.quiet)}: ${quieted(step, reader.cues.now, nameOf)}`,
      };
    case 'open':
      return {
        ...bare,
        title: `${step.quiet === 'cues' ? 'Open' : 'Unmute'} ${heardOver(reader.hasStage, step.quiet)}: ${quieted(step, reader.cues.then, nameOf)}`,
        caution: OPEN_CAUTION,
      };
    case 'disarm':
    case 'arm':
      return { ...bare, ...armedStep(reader.session, step) };
    case 'power-off':
      return {
        ...bare,
        title: `48 V off: ${nameOf(step.device)}`,
        turns: turnLines(reader, step.turns),
      };
    case 'drain':
      return { ...bare, title: `Wait ${String(DRAIN_S)} s until the lines have drained`, waitS: DRAIN_S };
    case 'set':
      return setStep(reader, step, nameOf(step.device));
  }
}

function roomOf({ rig, graph, session }: CueReader, step: Step): RoomId | undefined {
  if (isCordStep(step)) return graph.lanes[graph.laneIndex.get(jackOfStep(step)) ?? -1]?.room;
  const device =
    'device' in step
      ? step.device
      : 'devices' in step
        ? step.devices[0]
        : 'keys' in step
          ? step.keys[0] && knobOf(rig, step.keys[0])?.device.id
          : session.host;
  return rig.devices.find(({ id }) => id === device)?.room;
}

function shown(reader: CueReader, step: Step): WorkStep {
  const roomId = roomOf(reader, step);
  return {
    id: stepId(step),
    kind: step.kind,
    room: reader.rig.rooms.find(({ id }) => id === roomId)?.name ?? '',
    ...(roomId && { roomId }),
    ...(isCordStep(step) ? cordStep(reader, step) : otherStep(reader, step)),
  };
}

/** The work list of a target: every step in words, in the order of the walk. */
export function workList(studio: Studio, target: Target, here?: RoomId): WorkList {
  const { rig, floor } = studio;
  const at = floor.scene && findScene(studio, floor.scene);
  const named = (session: Session, scene: Pick<Scene, 'id'>): readonly string[] =>
    cuesIn(session, scene).map(({ name }) => name);
  const reader: CueReader = {
    ...{ rig, graph: compile(rig, target.session, floorScene(floor)), session: target.session },
    hasStage: hasStage(target.session, [target.scene.id, at?.scene.id]),
    cues: {
      now: at === undefined ? [] : named(at.session, at.scene),
      then: named(target.session, target.scene),
    },
  };
  const steps = stepsTo(studio, target, here);
  return {
    target: target.scene.name,
    ...(at && { onFloor: at.scene.name }),
    steps: steps.map((step) => shown(reader, step)),
    rises: steps.flatMap((step) => (step.kind === 'set' ? largeRises(rig, step.turns) : [])),
  };
}
