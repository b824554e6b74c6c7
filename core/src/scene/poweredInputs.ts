import { reach } from '../graph/reach';
import { rigMemo } from '../graph/rigMemo';
import type { Lane, SignalGraph } from '../graph/signalGraph';
import { stationStartingAt } from '../graph/stationStartingAt';
import { settingKeyOf } from '../rig/settings';
import type { EntityRef } from '../session/entityRef';
import type { WorkedScene } from './workedScene';

/** An input that can give 48 V. */
export interface PowerInput {
  readonly lane: Lane;
  /** The preamp channel behind it; the connector itself where the channel listens to something else. */
  readonly ref: EntityRef & { readonly kind: 'station' | 'lane' };
  readonly isOn: boolean;
}

const feedableLanes = rigMemo(({ lanes }) =>
  lanes.filter(({ input }) => input?.phantom !== undefined).map(({ index }) => index),
);

/** Several rules ask for the same inputs of one scene. */
const known = new WeakMap<WorkedScene, readonly PowerInput[]>();

/**
 * The inputs that can give 48 V, and whether they do in the scene. The switch acts on the connector: a console channel
 * that listens to its line input still feeds its microphone line.
 */
export function powerInputs(context: WorkedScene): readonly PowerInput[] {
  const found = known.get(context) ?? feedable(context);
  known.set(context, found);
  return found;
}

function feedable({ graph, scene }: WorkedScene): readonly PowerInput[] {
  return feedableLanes(graph).flatMap((index): PowerInput[] => {
    const lane = graph.lanes[index];
    const knob = lane?.input?.phantom;
    if (lane === undefined || knob === undefined) return [];
    const isOn = scene.settings[settingKeyOf(lane.device, knob.setting, knob.channel)] === true;
    const station = stationStartingAt(graph).get(index)?.id;
    const ref = station === undefined ? { kind: 'lane', id: lane.id } : { kind: 'station', id: station };
    return [{ lane, isOn, ref: ref as PowerInput['ref'] }];
  });
}

/** Those whose 48 V is on. */
export const poweredInputs = (context: WorkedScene): readonly PowerInput[] =>
  powerInputs(context).filter(({ isOn }) => isOn);

/** The lanes that 48 V from an input reaches against the signal: copper, and resistors in it. */
export const powerLine = (graph: SignalGraph, input: number): ReadonlySet<number> =>
  reach(graph, [input], 'to', 'power');
