import { earInputs } from '../../../cues/earInputs';
import { earSides } from '../../../cues/earSides';
import type { CarrierOutput } from '../../../consoles/cues/carrierOutputs';
import { reach } from '../../../graph/reach';
import type { CueId, DeviceId, LaneId, ThreadId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';

const SIDES = ['left', 'right'] as const;

/** Where each side of a cue is to arrive so that some headphones hear it, each input once. */
export interface CueTargets {
  readonly sides: readonly [readonly number[], readonly number[]];
  /** Headphones that nothing drives. */
  readonly undriven: readonly DeviceId[];
  /** Everything that leads to these ears as it is plugged now. */
  readonly towards: ReadonlySet<number>;
}

/** Walks back from headphones to the inputs a cue has to be brought to. */
export function cueTargets(context: WorkedScene, headphones: readonly DeviceId[]): CueTargets {
  const sides: [Set<number>, Set<number>] = [new Set(), new Set()];
  const undriven: DeviceId[] = [];
  const lanes: number[] = [];
  for (const id of headphones) {
    const own = earSides(context.graph, id).map((side) => earInputs(context, side));
    if (own.every(({ isDriven }) => !isDriven)) {
      undriven.push(id);
      continue;
    }
    lanes.push(...earSides(context.graph, id));
    own.forEach(({ lanes: inputs }, i) => {
      for (const lane of inputs) sides[i as 0 | 1].add(lane);
    });
  }
  return { sides: [[...sides[0]], [...sides[1]]], undriven, towards: reach(context.graph, lanes, 'to') };
}

/** A leg of a cue: from an output of its carrier to one input. */
export interface CueLeg {
  readonly from: LaneId;
  readonly to: LaneId;
  readonly side: 0 | 1;
}

/** Whether copper leads from an output to an input already. */
const isJoined = ({ graph }: WorkedScene, from: LaneId, to: number): boolean =>
  reach(graph, [graph.laneIndex.get(from) ?? -1], 'from', 'copper').has(to);

/**
 * The legs that bring the sides of a carrier to some ears. An input of an amplifier belongs to one side; where every
 * input feeds both, as in a performer's own mixer, each side takes one: the one it is wired to, else the next.
 */
export function cueLegs(
  context: WorkedScene,
  outputs: readonly CarrierOutput[],
  { sides }: CueTargets,
): readonly CueLeg[] {
  const taken = new Set<number>();
  const legs: CueLeg[] = [];
  const boxes = new Set(sides.flat().map((lane) => context.graph.lanes[lane]?.device ?? ''));
  for (const box of boxes)
    for (const side of [0, 1] as const) {
      const output = outputs[side] ?? outputs[0];
      const inputs = sides[side].filter(
        (lane) => context.graph.lanes[lane]?.device === box && !taken.has(lane),
      );
      const joined = output && inputs.find((lane) => isJoined(context, output.lane, lane));
      const lane = joined ?? inputs[0];
      const to = lane === undefined ? undefined : context.graph.lanes[lane]?.id;
      if (output === undefined || lane === undefined || to === undefined) continue;
      taken.add(lane);
      legs.push({ from: output.lane, to, side });
    }
  return legs;
}

/** The lines of the input list that run these legs. Left and right of one box are a pair. */
export function cueThreads(
  { session, scene }: WorkedScene,
  cue: { readonly id: CueId; readonly name: string },
  legs: readonly CueLeg[],
): readonly Thread[] {
  const ids = new Set<string>(session.threads.map(({ id }) => id));
  let number = Math.max(0, ...session.threads.map((thread) => thread.number));
  let lead: ThreadId | undefined;
  return legs.map(({ from, to, side }) => {
    const id = idFromName(`to ${cue.name} ${SIDES[side]}`, ids, 'to-ears') as ThreadId;
    ids.add(id);
    number += 1;
    const link = side === 1 && lead !== undefined ? { link: { lead, place: 2 } } : {};
    lead = side === 0 ? id : undefined;
    return threadSchema.parse({
      ...{ id, number, purpose: 'cue', performer: '', source: `${cue.name} cue ${SIDES[side]}` },
      ...{ from, to, inserts: [], trackName: '', cue: cue.id, pins: {}, scenes: [scene.id] },
      ...link,
    });
  });
}
