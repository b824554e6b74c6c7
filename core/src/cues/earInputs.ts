import { edgesInto } from '../graph/walk';
import type { WorkedScene } from '../scene/workedScene';
import { drivenBy } from './volume';

/** Where a cue can come in on its way to one side of an ear. */
export interface EarInputs {
  /** The line inputs of what drives it, the nearest of each way; of a box without an amplifier its own inputs. */
  readonly lanes: readonly number[];
  /** Whether anything drives the ear at all. */
  readonly isDriven: boolean;
}

/** Walks back from one side of an ear to the line inputs of its amplifier or box. */
export function earInputs(context: WorkedScene, side: number): EarInputs {
  const { graph } = context;
  const [lines, bare]: [number[], number[]] = [[], []];
  const seen = new Set([side]);
  for (const at of seen) {
    const lane = graph.lanes[at];
    const isInput =
      at !== side && lane?.direction === 'in' && lane.face !== 'inside' && lane.medium !== 'any';
    if (isInput && lane.medium !== 'phones') {
      lines.push(at);
      continue;
    }
    if (isInput && drivenBy(context, at) === undefined) bare.push(at);
    for (const { from } of edgesInto(graph, at)) seen.add(from);
  }
  return { lanes: lines.length > 0 ? lines : bare, isDriven: drivenBy(context, side) !== undefined };
}
