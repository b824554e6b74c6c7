import { edgesInto } from '../graph/walk';
import type { WorkedScene } from '../scene/workedScene';
import { threadName } from '../session/threadName';
import { sourceName } from '../words/sourceNames';

const MOST_STEPS = 2000;

/** The lane a sound comes from, followed back as long as it comes one way only. */
function originOf({ graph }: WorkedScene, lane: number): number | undefined {
  let at = lane;
  for (let step = 0; step < MOST_STEPS; step++) {
    const [edge, other] = edgesInto(graph, at);
    if (other !== undefined) return undefined;
    if (edge === undefined) return at;
    at = edge.from;
  }
  return undefined;
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
  const starting = new Map(threads.map(({ thread, start }) => [start, threadName(thread)]));
  return (lane) => {
    const running = over.get(lane);
    if (running !== undefined) return running.join('; ');
    const origin = originOf(context, lane);
    if (origin === undefined) return '';
    const begun = starting.get(origin);
    if (begun !== undefined) return begun;
    const at = graph.lanes[origin];
    const device = at && devices.get(at.device);
    return device !== undefined && SOURCES.has(device.type) ? (sourceName(graph, origin) ?? '') : '';
  };
}
