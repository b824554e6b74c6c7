import { edgesInto } from '../graph/walk';
import type { WorkedScene } from '../scene/workedScene';
import { threadName } from '../session/threadName';
import { sourceName } from '../words/sourceNames';

const MOST_STEPS = 2000;

/** The lanes a sound comes over, back to where it comes from or where it comes several ways. */
function wayBack(
  { graph }: WorkedScene,
  lane: number,
): { readonly lanes: readonly number[]; readonly isWhole: boolean } {
  const lanes = [lane];
  for (let at = lane; lanes.length < MOST_STEPS;) {
    const [edge, other] = edgesInto(graph, at);
    if (edge === undefined || other !== undefined) return { lanes, isWhole: other === undefined };
    at = edge.from;
    lanes.push(at);
  }
  return { lanes, isWhole: false };
}

/** Kinds of gear that make a sound of their own, or play one. */
const SOURCES = new Set(['microphone', 'instrument', 'mediaPlayer', 'dawHost', 'talkback']);

/** What a lane carries, by name: the threads that run over it, else where its sound comes from; empty for nothing. */
export type Carried = (lane: number) => string;

export function carriedIn(context: WorkedScene): Carried {
  const { graph, threads, devices } = context;
  const over = new Map<number, string[]>();
  for (const { thread, start, path } of threads)
    for (const lane of [start, ...path.map(({ to }) => to)])
      over.set(lane, [...(over.get(lane) ?? []), threadName(thread)]);
  return (lane) => {
    const { lanes, isWhole } = wayBack(context, lane);
    // A line may end at a connector of the device: what its channel carries is that line all the same.
    const running = lanes.find((at) => over.has(at));
    if (running !== undefined) return (over.get(running) ?? []).join('; ');
    const origin = isWhole ? lanes.at(-1) : undefined;
    const at = graph.lanes[origin ?? -1];
    const device = at && devices.get(at.device);
    return origin !== undefined && device !== undefined && SOURCES.has(device.type)
      ? (sourceName(graph, origin) ?? '')
      : '';
  };
}
