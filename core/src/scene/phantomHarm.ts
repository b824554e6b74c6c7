import type { Lane, SignalGraph } from '../graph/signalGraph';
import { powerLine } from './poweredInputs';

/** What 48 V would meet at an output that it may harm. */
export type PhantomHarm = 'ribbon' | 'unit' | 'unbalanced' | 'line-output';

/** Undefined where it does no harm as far as is known. */
function harmAt(lane: Lane): PhantomHarm | undefined {
  if (lane.direction !== 'out' || lane.medium === 'any') return undefined;
  if (lane.output?.phantom === 'harmful') return lane.microphone === undefined ? 'unit' : 'ribbon';
  if (lane.output?.phantom !== undefined) return undefined;
  if (lane.balanced === false) return 'unbalanced';
  return lane.medium === 'line' ? 'line-output' : undefined;
}

/** What 48 V at an input would harm. It is followed over copper and through pads of resistors. */
export const harmedOn = (
  graph: SignalGraph,
  input: number,
): readonly { readonly lane: Lane; readonly what: PhantomHarm }[] =>
  [...powerLine(graph, input)].flatMap((index) => {
    const lane = graph.lanes[index];
    const what = lane && harmAt(lane);
    return lane === undefined || what === undefined ? [] : [{ lane, what }];
  });
