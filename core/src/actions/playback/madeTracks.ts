import { carriedIn } from '../../consoles/carried';
import type { Edit } from '../../edits/make';
import { editAdd, editSet } from '../../edits/make';
import { channelFeed, channelRows } from '../../playback/channelFeed';
import type { TrackId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import type { SheetRow } from '../../rig/sheets/channelSheet';
import type { WorkedScene } from '../../scene/workedScene';
import { plainTrack } from '../../session/daw/trackTemplate';
import type { Track } from '../../session/daw/trackSchema';
import type { Thread } from '../../session/sessionSchema';

/** The line of the input list a channel carries, where it is one alone. */
export function lineOf(context: WorkedScene, console: Device, row: SheetRow): Thread | undefined {
  const feed = channelFeed(context.graph, console, row);
  const lines = context.threads.filter(({ start }) => feed?.before.has(start) === true);
  return lines.length === 1 ? lines[0]?.thread : undefined;
}

const sourceOf = ({ source, performer, number }: Thread): string =>
  source || performer || `Line ${String(number)}`;

/** A name for the track of a channel: what is played there, else what the channel carries, else its own. */
function trackName(context: WorkedScene, console: Device, row: SheetRow, taken: ReadonlySet<string>): string {
  const line = lineOf(context, console, row);
  const feed = channelFeed(context.graph, console, row);
  const carried = feed === undefined ? '' : carriedIn(context)(feed.lane);
  const name = (line && sourceOf(line)) ?? (carried === '' ? row.name : carried);
  if (!taken.has(name.toLowerCase())) return name.slice(0, 60);
  return `${name.slice(0, 50)} ${row.name}`;
}

const isAt = ({ kind, width, input }: Track, n: number): boolean =>
  kind === 'audio' && input.from === 'host' && input.first <= n && n < input.first + width;

/** Tracks that are missing, one for each channel, one to one and ascending: host input and output of one number. */
export function madeTracks(
  context: WorkedScene,
  console: Device,
  channels: readonly string[],
  first: number,
): readonly { readonly track: Track; readonly edits: readonly Edit[] }[] {
  const { session } = context;
  const rows = channelRows(console);
  const ids = new Set<string>(session.tracks.map(({ id }) => id));
  const names = new Set(session.tracks.map(({ name }) => name.toLowerCase()));
  let last = Math.max(0, ...session.tracks.map(({ number }) => number));
  return channels.flatMap((id, i) => {
    const row = rows.find((each) => each.id === id);
    const n = first + i;
    if (row === undefined || session.tracks.some((track) => isAt(track, n))) return [];
    const name = trackName(context, console, row, names);
    const trackId = idFromName(name, ids, 'track') as TrackId;
    ids.add(trackId);
    names.add(name.toLowerCase());
    last += 1;
    const track: Track = {
      ...plainTrack({ id: trackId, number: last, name, kind: 'audio', width: 1 }),
      input: { from: 'host', first: n },
      outputs: [{ to: 'host', first: n }],
    };
    const line = lineOf(context, console, row);
    const named =
      line?.trackName === ''
        ? [
            editSet('thread', { session: session.id }, line.id, {
              ...{ field: 'trackName', value: name, was: '' },
            }),
          ]
        : [];
    return [{ track, edits: [editAdd('track', { session: session.id }, track), ...named] }];
  });
}
