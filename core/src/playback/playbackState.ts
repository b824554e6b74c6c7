import { reach } from '../graph/reach';
import type { PlaybackCheck } from '../session/playbackSchema';
import type { ChannelFeed } from './channelFeed';
import { channelFeed, channelRows } from './channelFeed';
import type { CheckScene } from './checkScene';
import { recorderTracks } from './recorderTracks';

/** People play; people play and are recorded; the recorder plays into the channels they came in by. */
export type PlaybackState = 'live' | 'recording' | 'playback';

/** How a check stands in a scene. */
export interface StateOfCheck {
  readonly state: PlaybackState;
  /** The channels a track plays into, by their rows. */
  readonly playing: readonly string[];
}

/** How a check stands in a scene, whichever it is, told by the graph alone: no scene says it of itself. */
export function playbackState(at: CheckScene, check: PlaybackCheck): StateOfCheck {
  const [console, recorder] = [check.console, check.recorder].map((id) =>
    at.rig.devices.find((device) => device.id === id),
  );
  if (console === undefined || recorder === undefined) return { state: 'live', playing: [] };
  const tracks = recorderTracks(at, recorder);
  const wanted = new Set(check.channels);
  const feeds = channelRows(console).flatMap((row): { id: string; feed: ChannelFeed }[] => {
    const feed = wanted.has(row.id) ? channelFeed(at.graph, console, row) : undefined;
    return feed === undefined ? [] : [{ id: row.id, feed }];
  });
  const playing = feeds.filter(({ feed }) => tracks.some(({ play }) => feed.before.has(play)));
  if (playing.length > 0) return { state: 'playback', playing: playing.map(({ id }) => id) };
  const sources = feeds.flatMap(({ feed }) => feed.source ?? []);
  const isSent = tracks.some(({ record, isArmed }) => {
    const heard = isArmed ? reach(at.graph, [record], 'to') : undefined;
    return sources.some((source) => heard?.has(source) === true);
  });
  return { state: isSent ? 'recording' : 'live', playing: [] };
}
