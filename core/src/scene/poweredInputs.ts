import { reach } from '../graph/reach';
import { rigMemo } from '../graph/rigMemo';
import type { Lane, SignalGraph } from '../graph/signalGraph';
import { stationStartingAt } from '../graph/stationStartingAt';
import { settingKeyOf } from '../rig/settings';
import type { EntityRef } from '../session/entityRef';
import type { WorkedScene } from './workedScene';

/** An input with 48 V on it. */
export interface PoweredInput {
  readonly lane: Lane;
  /** The preamp channel behind it; the connector itself where the channel listens to something else. */
  readonly ref: PowerRef;
}

type PowerRef = EntityRef & { readonly kind: 'station' | 'lane' };

const feedableLanes = rigMemo(({ lanes }) =>
  lanes.filter(({ input }) => input?.phantom !== undefined).map(({ index }) => index),
);

/**
 * Whether an input gives 48 V in the scene; undefined where it cannot. The switch acts on the connector: a console
 * channel that listens to its line input still feeds its microphone line.
 */
export function givesPower({ scene }: WorkedScene, lane: Lane | undefined): boolean | undefined {
  const knob = lane?.input?.phantom;
  if (lane === undefined || knob === undefined) return undefined;
  return scene.settings[settingKeyOf(lane.device, knob.setting, knob.channel)] === true;
}

/** What the switch of an input is called by. */
export function powerRef({ graph }: WorkedScene, { id, index }: Lane): PowerRef {
  const station = stationStartingAt(graph).get(index)?.id;
  return station === undefined ? { kind: 'lane', id } : { kind: 'station', id: station };
}

/** Several rules ask for the same inputs of one scene. */
const known = new WeakMap<WorkedScene, readonly PoweredInput[]>();

/** The inputs whose 48 V is on. */
export function poweredInputs(context: WorkedScene): readonly PoweredInput[] {
  let found = known.get(context);
  if (found === undefined) {
    found = feedableLanes(context.graph).flatMap((index): PoweredInput[] => {
      const lane = context.graph.lanes[index];
      return lane !== undefined && givesPower(context, lane) === true
        ? [{ lane, ref: powerRef(context, lane) }]
        : [];
    });
    known.set(context, found);
  }
  return found;
}

/** The lanes that 48 V from an input reaches against the signal: copper, and resistors in it. */
export const powerLine = (graph: SignalGraph, input: number): ReadonlySet<number> =>
  reach(graph, [input], 'to', 'power');
