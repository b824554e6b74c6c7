import type { Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import type { ChannelFeed } from './channelFeed';
import type { CheckScene } from './checkScene';

/** The line of the input list that comes into a channel, where it is one alone. */
export function lineOf({ session, scene, graph }: CheckScene, feed: ChannelFeed): Thread | undefined {
  const [line, other] = threadsIn(session, scene).filter(({ from }) => {
    const start = graph.laneIndex.get(from);
    return start !== undefined && feed.before.has(start);
  });
  return other === undefined ? line : undefined;
}
