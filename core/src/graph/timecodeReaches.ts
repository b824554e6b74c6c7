import type { DeviceId } from '../rig/ids';
import { rigMemo } from './rigMemo';
import type { SignalGraph } from './signalGraph';
import { trace } from './trace';

const timecodeInputs = rigMemo(({ lanes }) =>
  lanes.filter(({ medium, direction }) => medium === 'timecode' && direction === 'in'),
);

/** Whether copper leads from any timecode output to a timecode input of a device. */
export const timecodeReaches = (graph: SignalGraph, device: DeviceId): boolean =>
  timecodeInputs(graph)
    .filter((lane) => lane.device === device)
    .some(({ index }) =>
      trace(graph, index, 'to').lanes.some((lane) => {
        const at = graph.lanes[lane];
        return at?.direction === 'out' && at.medium === 'timecode';
      }),
    );
