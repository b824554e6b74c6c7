import { copperFrom } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import type { DeviceId, LaneId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Quiet } from './step';

/** What ears are at the end of, the one with the level knob first. */
const LISTENING: Readonly<Record<Quiet, readonly (readonly string[])[]>> = {
  monitors: [['monitorController', 'splitConsole', 'digitalConsole'], ['powerAmp'], ['loudspeaker']],
  cues: [
    ['cueAmp', 'headphoneBox', 'headphoneJunction'],
    // Without any, cues are wedges on the auxes of a console.
    ['digitalConsole', 'splitConsole'],
  ],
};

const HEARD = new Set([
  'monitorController',
  'powerAmp',
  'loudspeaker',
  'cueAmp',
  'headphoneBox',
  'headphoneJunction',
  'headphones',
]);

/** What to turn down so that nobody hears a plug go in: the units with the level knob, where there are any. */
export function quietedBy({ devices }: Rig, quiet: Quiet): readonly DeviceId[] {
  for (const types of LISTENING[quiet]) {
    const found = devices.filter(({ type }) => types.includes(type));
    if (found.length > 0) return found.map(({ id }) => id);
  }
  return [];
}

/** Whether copper leads from a jack straight into something that loudspeakers or headphones hang on. */
export function heardThrough(rig: Rig, graph: SignalGraph): (jack: LaneId) => boolean {
  const heard = new Set(rig.devices.filter(({ type }) => HEARD.has(type)).map(({ id }) => id));
  return (jack) => {
    const lane = graph.laneIndex.get(jack);
    if (lane === undefined || heard.size === 0) return false;
    return copperFrom(graph, lane, 'from').some((at) => {
      const there = graph.lanes[at];
      return there?.direction === 'in' && heard.has(there.device);
    });
  };
}
