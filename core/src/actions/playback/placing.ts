import { reach } from '../../graph/reach';
import type { CheckScene } from '../../playback/checkScene';
import { channelFeed } from '../../playback/channelFeed';
import { endsAt } from '../../playback/consoleEnds';
import type { Join } from '../../playback/joins';
import { joinsOf } from '../../playback/joins';
import type { RecorderTrack } from '../../playback/recorderTracks';
import type { SettingKey } from '../../rig/settings';
import type { Device } from '../../rig/rigSchema';
import type { SheetRow } from '../../rig/sheets/channelSheet';

/** A channel with the track it is recorded on. Without `tap` the track takes it in already, by fixed wiring. */
export interface Placed {
  readonly row: SheetRow;
  readonly track: RecorderTrack;
  readonly tap?: Join;
  readonly back: Join;
}

/**
 * Why a channel has no track: it listens to nothing, or to the recorder; nothing the console can patch brings it to a
 * track that is free, or a track back to it; or it could, if its switch did not move others as well.
 */
export interface Unplaced {
  readonly row: SheetRow;
  readonly why: 'not-listening' | 'plays-already' | 'no-tap' | 'no-way-back' | 'moves-with-others';
}

/** Positions of switches that are taken, by their knobs. */
type Positions = Map<SettingKey, number>;

const fits = (positions: Positions, { key, value }: Join): boolean => (positions.get(key) ?? value) === value;

interface Options {
  readonly track: RecorderTrack;
  readonly taps: readonly Join[];
  readonly isFixed: boolean;
  readonly backs: readonly Join[];
}

/** Gives out the tracks of a recorder to channels, in order. */
class Placing {
  private readonly positions: Positions = new Map();
  private readonly used = new Set<RecorderTrack>();
  private readonly ends: readonly {
    readonly track: RecorderTrack;
    readonly comes: ReadonlySet<string>;
    readonly leaves: ReadonlySet<string>;
    readonly heard: ReadonlySet<number>;
  }[];

  constructor(
    private readonly at: CheckScene,
    private readonly console: Device,
    tracks: readonly RecorderTrack[],
  ) {
    const { graph } = at;
    const ids = (lanes: readonly number[]): ReadonlySet<string> =>
      new Set(lanes.flatMap((lane) => graph.lanes[lane]?.id ?? []));
    this.ends = tracks.map((track) => ({
      track,
      comes: ids(endsAt(graph, track.record, 'to', console.id)),
      leaves: ids(endsAt(graph, track.play, 'from', console.id)),
      heard: reach(graph, [track.record], 'to'),
    }));
  }

  place(row: SheetRow): Placed | Unplaced {
    const { graph } = this.at;
    const feed = channelFeed(graph, this.console, row);
    const [channel, source] = [graph.lanes[feed?.lane ?? -1], graph.lanes[feed?.source ?? -1]];
    if (feed?.source === undefined || channel === undefined || source === undefined)
      return { row, why: 'not-listening' };
    if (this.ends.some(({ track }) => feed.before.has(track.play))) return { row, why: 'plays-already' };
    const joins = joinsOf(this.console);
    const [from, into] = [joins.outOf(source.id), joins.into(channel.id)];
    const options = this.ends
      .filter(({ track }) => !this.used.has(track))
      .map(({ track, comes, leaves, heard }): Options => ({
        ...{ track, isFixed: heard.has(source.index) },
        taps: from.filter(({ to }) => comes.has(to)),
        backs: into.filter((join) => leaves.has(join.from)),
      }));
    return this.first(row, options);
  }

  /** The first track whose switches stand, or may stand, as the channel needs them. */
  private first(row: SheetRow, options: readonly Options[]): Placed | Unplaced {
    for (const { track, taps, isFixed, backs } of options) {
      const tap = isFixed && taps.length === 0 ? undefined : taps.find((join) => fits(this.positions, join));
      const back = backs.find((join) => fits(this.positions, join));
      if (back === undefined || (tap === undefined && !(isFixed && taps.length === 0))) continue;
      this.used.add(track);
      for (const join of [tap, back]) if (join !== undefined) this.positions.set(join.key, join.value);
      return { row, track, back, ...(tap !== undefined && { tap }) };
    }
    const canTap = options.some(({ taps, isFixed }) => isFixed || taps.length > 0);
    const canPlay = options.some(({ backs }) => backs.length > 0);
    return { row, why: !canTap ? 'no-tap' : !canPlay ? 'no-way-back' : 'moves-with-others' };
  }
}

export const isPlaced = (it: Placed | Unplaced): it is Placed => 'track' in it;

/**
 * Gives each channel a track, one to one and ascending as far as the switches of the console let it: the first track
 * from the first one on that can take in what the channel listens to, and play into the channel.
 * @param at the live scene, in a graph where the recorder plays to its outputs.
 */
export function placing(
  at: CheckScene,
  console: Device,
  rows: readonly SheetRow[],
  tracks: readonly RecorderTrack[],
): readonly (Placed | Unplaced)[] {
  const desk = new Placing(at, console, tracks);
  return rows.map((row) => desk.place(row));
}
