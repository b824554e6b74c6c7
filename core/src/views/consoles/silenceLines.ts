import type { Closed } from '../../consoles/hearing/whySilent';
import { whySilent } from '../../consoles/hearing/whySilent';
import type { DeviceId, LaneId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { knobTitle } from '../../rig/knobText';
import { settingsOf } from '../../rig/buildDevice';
import type { KnobRef } from '../../rig/deviceModel';
import { formatNumber } from '../../units/format';

/** Why nothing is heard at one ear, or that the way is open. */
export interface SilenceLine {
  readonly ear: DeviceId;
  readonly name: string;
  readonly isOpen: boolean;
  readonly sentence: string;
  /** The way walked back, by the devices it passes, from the ear on. */
  readonly way: readonly string[];
  /** The place where it is closed. */
  readonly lane?: LaneId;
}

const EARS = new Set(['loudspeaker', 'headphones']);

function knobNames({ devices }: WorkedScene, device: DeviceId, knobs: readonly KnobRef[]): string {
  const it = devices.get(device);
  const titles = knobs.flatMap(({ setting, channel }) => {
    const spec = it && settingsOf(it).find((each) => each.setting === setting);
    if (spec?.unit !== 'dB') return [];
    return [knobTitle(spec, channel)];
  });
  return titles.join(', ');
}

function sentenceOf(context: WorkedScene, closed: Closed): string {
  const lane = context.graph.lanes[closed.lane];
  const name = lane?.name ?? '';
  if (closed.kind === 'nothing-plugged') return `Nothing is plugged into ${name}.`;
  if (closed.kind === 'turned-down') {
    const knobs = lane === undefined ? '' : knobNames(context, lane.device, closed.knobs);
    return `${name} is turned down by ${formatNumber(Math.round(-closed.gainDb))} dB: ${knobs === '' ? 'raise its level' : `raise ${knobs}`}.`;
  }
  const device = lane === undefined ? '' : (context.devices.get(lane.device)?.name ?? '');
  const openers = closed.openers.slice(0, 3).map(({ title, valueText }) => `${title} to ${valueText}`);
  return openers.length === 0
    ? `Nothing leads into ${name}.`
    : `${name} is closed. On ${device}: ${openers.join(', or ')}.`;
}

/** The devices a way passes, each once. */
function wayOf({ graph, devices }: WorkedScene, lanes: readonly number[]): readonly string[] {
  const names = lanes.map((lane) => devices.get(graph.lanes[lane]?.device ?? ('' as DeviceId))?.name ?? '');
  return names.filter((name, i) => name !== names[i - 1]);
}

/** An ear: of several sides the first that is closed. */
function silenceLine(context: WorkedScene, ear: DeviceId, name: string): readonly SilenceLine[] {
  const { graph } = context;
  const sides = graph.lanes
    .filter(({ device, direction }) => device === ear && direction === 'in')
    .map(({ index }) => whySilent(context, index));
  const told = sides.find(({ closed }) => closed !== undefined) ?? sides[0];
  if (told === undefined) return [];
  const { lanes, closed } = told;
  const lane = closed === undefined ? undefined : graph.lanes[closed.lane]?.id;
  const from = graph.lanes[lanes.at(-1) ?? -1]?.name ?? '';
  return [
    {
      ...{ ear, name, isOpen: closed === undefined, way: wayOf(context, lanes) },
      sentence: closed === undefined ? `Open, back to ${from}.` : sentenceOf(context, closed),
      ...(lane !== undefined && { lane }),
    },
  ];
}

/** Loudspeakers and headphones, and for each why nothing is heard, or that something can be. */
export const silenceLines = (context: WorkedScene): readonly SilenceLine[] =>
  context.rig.devices
    .filter(({ type }) => EARS.has(type))
    .flatMap(({ id, name }) => silenceLine(context, id, name));
