import { carriedIn } from '../../consoles/carried';
import type { Edit } from '../../edits/make';
import { editAdd, editSet } from '../../edits/make';
import type { ChannelFeed } from '../../playback/channelFeed';
import { channelFeed } from '../../playback/channelFeed';
import { lineOf } from '../../playback/lineOf';
import type { TrackId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import type { SheetRow } from '../../rig/sheets/channelSheet';
import type { WorkedScene } from '../../scene/workedScene';
import { plainTrack } from '../../session/daw/trackTemplate';
import type { Track } from '../../session/daw/trackSchema';
import type { Thread } from '../../session/sessionSchema';
import type { Placed } from './placing';

const sourceOf = ({ source, performer, number }: Thread): string =>
  source || performer || `Line ${String(number)}`;

/** A name for the track of a channel: what is played there, else what the channel carries, else its own. */
function trackName(
  context: WorkedScene,
  row: SheetRow,
  feed: ChannelFeed | undefined,
  taken: ReadonlySet<string>,
): string {
  const line = feed && lineOf(context, feed);
  const carried = feed === undefined ? '' : carriedIn(context)(feed.lane);
  const name = (line && sourceOf(line)) ?? (carried === '' ? row.name : carried);
  if (!taken.has(name.toLowerCase())) return name.slice(0, 60);
  return `${name.slice(0, 50)} ${row.name}`;
}

const isAt = ({ kind, width, input }: Track, n: number): boolean =>
  kind === 'audio' && input.from === 'host' && input.first <= n && n < input.first + width;

/** Tracks that are missing at the inputs of a host: one for each place, input and output of one number. */
export function madeTracks(
  context: WorkedScene,
  console: Device,
  placed: readonly Placed[],
): readonly { readonly track: Track; readonly edits: readonly Edit[] }[] {
  const { session } = context;
  const ids = new Set<string>(session.tracks.map(({ id }) => id));
  const names = new Set(session.tracks.map(({ name }) => name.toLowerCase()));
  const made = new Set<number>();
  let last = Math.max(0, ...session.tracks.map(({ number }) => number));
  return placed.flatMap(({ row, place: { number: n } }) => {
    if (made.has(n) || session.tracks.some((track) => isAt(track, n))) return [];
    made.add(n);
    const feed = channelFeed(context.graph, console, row);
    const name = trackName(context, row, feed, names);
    const id = idFromName(name, ids, 'track') as TrackId;
    ids.add(id);
    names.add(name.toLowerCase());
    last += 1;
    const track: Track = {
      ...plainTrack({ id, number: last, name, kind: 'audio', width: 1 }),
      input: { from: 'host', first: n },
      outputs: [{ to: 'host', first: n }],
    };
    const line = feed && lineOf(context, feed);
    const place = { session: session.id };
    const named =
      line?.trackName === ''
        ? [editSet('thread', place, line.id, { field: 'trackName', value: name, was: '' })]
        : [];
    return [{ track, edits: [editAdd('track', place, track), ...named] }];
  });
}
