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

/** Where a channel can be recorded and played from: a track, or an input and output of a host that may get one. */
export type RecorderPlace = Pick<RecorderTrack, 'number' | 'name' | 'record' | 'play'>;

/**
 * A channel with the place it is recorded at. Without `tap` the place takes it in already: by fixed wiring, or for
 * another channel that listens to the same.
 */
export interface Placed {
  readonly row: SheetRow;
  readonly place: RecorderPlace;
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

interface End {
  readonly place: RecorderPlace;
  readonly comes: ReadonlySet<string>;
  readonly leaves: ReadonlySet<string>;
  readonly heard: ReadonlySet<number>;
}

interface Options {
  readonly end: End;
  readonly taps: readonly Join[];
  readonly isFixed: boolean;
  readonly backs: readonly Join[];
}

/** Gives out the places of a recorder to channels, in order. */
class Placing {
  private readonly positions: Positions = new Map();
  private readonly used = new Set<End>();
  /** Where what a lane carries is recorded. */
  private readonly recorded = new Map<number, End>();
  private readonly ends: readonly End[];

  constructor(
    private readonly at: CheckScene,
    private readonly console: Device,
    places: readonly RecorderPlace[],
  ) {
    const { graph } = at;
    const ids = (lanes: readonly number[]): ReadonlySet<string> =>
      new Set(lanes.flatMap((lane) => graph.lanes[lane]?.id ?? []));
    this.ends = places.map((place) => ({
      place,
      comes: ids(endsAt(graph, place.record, 'to', console.id)),
      leaves: ids(endsAt(graph, place.play, 'from', console.id)),
      heard: reach(graph, [place.record], 'to'),
    }));
  }

  place(row: SheetRow): Placed | Unplaced {
    const { graph } = this.at;
    const feed = channelFeed(graph, this.console, row);
    const [channel, source] = [graph.lanes[feed?.lane ?? -1], graph.lanes[feed?.source ?? -1]];
    if (feed === undefined || channel === undefined || source === undefined)
      return { row, why: 'not-listening' };
    if (this.ends.some(({ place }) => feed.before.has(place.play))) return { row, why: 'plays-already' };
    const joins = joinsOf(this.console);
    const into = joins.into(channel.id);
    const backs = ({ leaves }: End): readonly Join[] => into.filter((join) => leaves.has(join.from));
    const shared = this.recorded.get(source.index);
    const again = shared && backs(shared).find((join) => fits(this.positions, join));
    if (shared !== undefined && again !== undefined) return this.taken(row, source.index, shared, again);
    const from = joins.outOf(source.id);
    return this.first(
      row,
      source.index,
      this.ends
        .filter((end) => !this.used.has(end))
        .map((end): Options => ({
          ...{ end, isFixed: end.heard.has(source.index), backs: backs(end) },
          taps: from.filter(({ to }) => end.comes.has(to)),
        })),
    );
  }

  /** The first place whose switches stand, or may stand, as the channel needs them. */
  private first(row: SheetRow, source: number, options: readonly Options[]): Placed | Unplaced {
    for (const { end, taps, isFixed, backs } of options) {
      const isThere = isFixed && taps.length === 0;
      const tap = isThere ? undefined : taps.find((join) => fits(this.positions, join));
      const back = backs.find((join) => fits(this.positions, join));
      if (back !== undefined && (tap !== undefined || isThere))
        return this.taken(row, source, end, back, tap);
    }
    const canTap = options.some(({ taps, isFixed }) => isFixed || taps.length > 0);
    const canPlay = options.some(({ backs }) => backs.length > 0);
    return { row, why: !canTap ? 'no-tap' : !canPlay ? 'no-way-back' : 'moves-with-others' };
  }

  private taken(row: SheetRow, source: number, end: End, back: Join, tap?: Join): Placed {
    this.used.add(end);
    this.recorded.set(source, end);
    for (const join of [tap, back]) if (join !== undefined) this.positions.set(join.key, join.value);
    return { row, place: end.place, back, ...(tap !== undefined && { tap }) };
  }
}

export const isPlaced = (it: Placed | Unplaced): it is Placed => 'place' in it;

/**
 * Gives each channel a place on the recorder, one to one and ascending as far as the switches of the console let it:
 * the first one that can take in what the channel listens to, and play into the channel. Channels that listen to the
 * same share one.
 * @param at the live scene, in a graph where the recorder plays to its outputs.
 */
export function placing(
  at: CheckScene,
  console: Device,
  rows: readonly SheetRow[],
  places: readonly RecorderPlace[],
): readonly (Placed | Unplaced)[] {
  const desk = new Placing(at, console, places);
  return rows.map((row) => desk.place(row));
}
