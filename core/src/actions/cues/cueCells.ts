import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import { deskOf } from '../../consoles/desk';
import { cueMatrix, sourceKey } from '../../cues/cueSources';
import type { CueColumn } from '../../cues/cueSources';
import type { BusRow } from '../../consoles/cues/busRows';
import { busesWith, busRowOf } from '../../consoles/cues/busRows';
import type { SendWish } from '../../consoles/cues/cueCell';
import { readCueCell } from '../../consoles/cues/cueCell';
import { readTrackSend, trackSendText, withTrackSend } from '../../consoles/cues/trackSend';
import type { CueId, DeviceId } from '../../rig/ids';
import type { Send, Track } from '../../session/daw/trackSchema';
import { MOST_SENDS } from '../../session/daw/trackSchema';
import { cueSourceName } from '../../words/cueSourceNames';
import type { ChannelChange, ChannelEntry, ChannelPlan, ChannelRefusal } from '../consoles/channelPlan';
import { plannedCells } from '../consoles/plannedCells';
import type { WorkPlace } from '../workPlace';

/** A text meant for a cell of the cue sheet. */
export interface CueEntry {
  /** By its key: "line:line-3". */
  readonly source: string;
  readonly cue: CueId;
  readonly text: string;
}

/** A text for a channel sheet, and the cell of the cue sheet it was meant for. */
interface DeskWish {
  readonly at: number;
  readonly name: string;
  readonly cue: string;
  readonly entry: ChannelEntry;
}

/** Texts sorted by where they go: to the sheets of consoles, and to the sends of tracks. */
class CueWishes {
  readonly desks = new Map<DeviceId, DeskWish[]>();
  readonly changes: ChannelChange[] = [];
  readonly refused: ChannelRefusal[] = [];
  private readonly tracks = new Map<Track, readonly Send[]>();

  constructor(private readonly it: WorkPlace) {}

  refuse(at: number, row: string, column: string, sentence: string): void {
    this.refused.push({ at, row, column, sentence });
  }

  take(at: number, name: string, column: CueColumn, { at: target, text }: SendWish): void {
    const { send } = target;
    if (send.kind === 'desk') {
      const entry = { row: send.row.id, column: send.column, text };
      const wishes = this.desks.get(send.device.id) ?? [];
      wishes.push({ at, name, cue: column.cue.name, entry });
      this.desks.set(send.device.id, wishes);
      return;
    }
    const { carrier } = column.cue;
    if (carrier.on !== 'host') return;
    const read = readTrackSend(text, send.track, send.send, carrier);
    if (!read.ok) this.refuse(at, name, column.cue.name, read.sentence);
    else {
      const before = this.tracks.get(send.track) ?? send.track.sends;
      const sends = withTrackSend(before, send.send, read.value);
      if (sends.length > MOST_SENDS) {
        const full = `${send.track.name} has ${String(MOST_SENDS)} sends already. End one of them first.`;
        this.refuse(at, name, column.cue.name, full);
        return;
      }
      this.tracks.set(send.track, sends);
      this.changes.push({
        row: name,
        column: column.cue.name,
        from: trackSendText(send.send, carrier),
        to: trackSendText(read.value ?? undefined, carrier),
      });
    }
  }

  /** A text for what the bus of a cue has itself; both sides of a pair are meant. */
  takeBus(at: number, row: BusRow, column: CueColumn, text: string): void {
    const { carrier, cue } = column;
    const buses = busesWith(column, row);
    if (!carrier.ok || carrier.device === undefined || buses.length === 0) {
      this.refuse(at, row.name, cue.name, `The carrier of ${cue.name} has no ${row.name.toLowerCase()}.`);
      return;
    }
    const wishes = this.desks.get(carrier.device.id) ?? [];
    for (const bus of buses)
      wishes.push({
        ...{ at, name: row.name, cue: cue.name },
        entry: { row: bus.id, column: row.column, text },
      });
    this.desks.set(carrier.device.id, wishes);
  }

  trackEdits(): readonly Edit[] {
    const place = { session: this.it.place.session };
    return [...this.tracks].map(([{ id, sends: was }, sends]) =>
      editSet('track', place, id, { field: 'sends', value: [...sends], was }),
    );
  }
}

/** What the sheet of one console makes of its share, told in the words of the cue sheet. */
function deskPlan(it: WorkPlace, device: DeviceId, wishes: readonly DeskWish[]): ChannelPlan {
  const desk = deskOf(it.context, device);
  const plan = plannedCells(
    { ...it, device },
    wishes.map(({ entry }) => entry),
  );
  const meant = new Map(
    wishes.map((wish) => {
      const row = desk?.rows.find(({ id }) => id === wish.entry.row)?.name ?? '';
      const column = desk?.columns.find(({ id }) => id === wish.entry.column)?.title ?? '';
      return [`${row} ${column}`, wish];
    }),
  );
  return {
    edits: plan.edits,
    changes: plan.changes.map((change) => {
      const wish = meant.get(`${change.row} ${change.column}`);
      return wish === undefined ? change : { ...change, row: wish.name, column: wish.cue };
    }),
    refused: plan.refused.flatMap((refusal) => {
      const wish = wishes[refusal.at];
      return wish === undefined ? [] : [{ ...refusal, at: wish.at, row: wish.name, column: wish.cue }];
    }),
  };
}

/**
 * Texts for cells of the cue sheet: typed, pasted, filled. Each is a text for the send of its carrier, read and planned
 * as the console's own sheet reads it, so that both always say the same.
 */
export function cueCells(it: WorkPlace, entries: readonly CueEntry[]): ChannelPlan {
  const { context } = it;
  const matrix = cueMatrix(context);
  const sources = new Map(matrix.sources.map((source) => [sourceKey(source), source]));
  const wishes = new CueWishes(it);
  // Of two texts for one cell the later one counts.
  const last = new Map(entries.map(({ source, cue }, at) => [`${source} ${cue}`, at]));
  entries.forEach(({ source: key, cue, text }, at) => {
    if (last.get(`${key} ${cue}`) !== at) return;
    const source = sources.get(key);
    const column = matrix.columns.find((each) => each.cue.id === cue);
    const bus = busRowOf(key);
    const name = source === undefined ? key : cueSourceName(context, source);
    if (column === undefined) wishes.refuse(at, name, cue, 'This scene has no such cue.');
    else if (bus !== undefined) wishes.takeBus(at, bus, column, text);
    else if (source === undefined) wishes.refuse(at, name, column.cue.name, 'There is no such source here.');
    else {
      const read = readCueCell(column.sends.get(key) ?? [], text, column, context.scene);
      if (read.ok) for (const wish of read.value) wishes.take(at, name, column, wish);
      else wishes.refuse(at, name, column.cue.name, read.sentence);
    }
  });
  const desks = [...wishes.desks].map(([device, own]) => deskPlan(it, device, own));
  return {
    edits: [...desks.flatMap(({ edits }) => edits), ...wishes.trackEdits()],
    changes: [...desks.flatMap(({ changes }) => changes), ...wishes.changes],
    refused: [...wishes.refused, ...desks.flatMap(({ refused }) => refused)].sort((a, b) => a.at - b.at),
  };
}
