import { clockText, startOf } from '../../takes/counter';
import type { Log } from '../../takes/applyOps';
import { isNote, isPunch, isTake, stretchText } from '../../takes/labels';
import type { LogRow, Note, Punch, Take } from '../../takes/logRows';
import { recordedEdges } from '../../takes/newRows';
import type { Session } from '../../session/sessionSchema';

/** "Reel 2, take 4"; "take 4" where there are no reels. */
export const takeName = ({ reel, number }: Pick<Take, 'reel' | 'number'>): string =>
  [reel, `take ${String(number)}`].filter((part) => part !== '').join(', ');

/** A row as history calls it: "Reel 2, take 4", "Note at 0:14:05.3", "Punch at 0:14:03.3". */
export const rowName = (row: LogRow): string => {
  if (row.kind === 'take') return takeName(row);
  return row.kind === 'note' ? `Note at ${clockText(row.counterS)}` : `Punch at ${clockText(row.inS)}`;
};

/** A take as a line: when, who, on which tracks, and what of it is used. */
export interface TakeLine {
  readonly take: Take;
  readonly name: string;
  readonly from: string;
  /** Where it ends; empty while it runs. */
  readonly to: string;
  readonly who: string;
  readonly tracks: string;
  /** Tracks that are not in the session any more. */
  readonly gone: readonly string[];
  readonly notes: number;
  readonly used: string;
  /** What it is a run of: "plays into Reel 1, take 3". */
  readonly of: string;
}

export interface NoteLine {
  readonly note: Note;
  readonly time: string;
  readonly take: string;
  readonly agreed: 'yes' | 'no' | '';
  readonly by: string;
}

/** A punch with both of its edges: what is played again, and what is recorded around it. */
export interface PunchLine {
  readonly punch: Punch;
  readonly take: string;
  readonly in: string;
  readonly out: string;
  readonly recorded: string;
  /** Runs of it so far. */
  readonly runs: number;
}

const byStart = (a: Take, b: Take): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.number - b.number);

/** The takes of a log, in the order they were made. */
export const takesOf = (log: Log): readonly Take[] => [...log.values()].filter(isTake).sort(byStart);

const nameOf = (log: Log, id: string | undefined): string => {
  const row = log.get(id ?? '');
  return row?.kind === 'take' ? takeName(row) : '';
};

export function takeLines(log: Log, { tracks }: Pick<Session, 'tracks'>): readonly TakeLine[] {
  const counts = new Map<string, number>();
  for (const row of log.values()) if (isNote(row)) counts.set(row.take, (counts.get(row.take) ?? 0) + 1);
  const there = new Set(tracks.map(({ name }) => name));
  return takesOf(log).map((take): TakeLine => ({
    ...{ take, name: takeName(take), from: clockText(startOf(take)) },
    to: take.endS === undefined ? '' : clockText(take.endS),
    ...{ who: take.performers.join(', '), tracks: take.tracks.join(', ') },
    // Without any track in the session, nothing is known of what is gone.
    gone: there.size === 0 ? [] : take.tracks.filter((name) => !there.has(name)),
    notes: counts.get(take.id) ?? 0,
    used: (take.used ?? []).map(({ fromS, toS }) => stretchText(fromS, toS)).join('; '),
    of: take.of === undefined ? '' : `plays into ${nameOf(log, take.of)}`,
  }));
}

const noteLine =
  (log: Log) =>
  (note: Note): NoteLine => ({
    ...{ note, time: clockText(note.counterS), take: nameOf(log, note.take) },
    agreed: note.agreed === true ? 'yes' : note.agreed === false ? 'no' : '',
    by: note.agreedBy === undefined ? note.by : `${note.by}; ${note.agreedBy}`,
  });

/** Notes take by take, and by their time in it. */
function inOrder(log: Log, notes: readonly Note[]): readonly Note[] {
  const order = new Map(takesOf(log).map(({ id }, i) => [id, i]));
  return [...notes].sort(
    (a, b) =>
      (order.get(a.take) ?? 0) - (order.get(b.take) ?? 0) ||
      a.counterS - b.counterS ||
      (a.id < b.id ? -1 : 1),
  );
}

/** The notes of a log or of one take, by their time in it; of several takes, take by take. */
export const noteLines = (log: Log, take?: string): readonly NoteLine[] =>
  inOrder(
    log,
    [...log.values()].filter(isNote).filter((note) => take === undefined || note.take === take),
  ).map(noteLine(log));

/** Notes that are crossed out: they stay, and can be brought back. */
export const struckLines = (log: Log): readonly NoteLine[] =>
  inOrder(
    log,
    [...log.values()].filter((row): row is Note => row.kind === 'note' && row.struck === true),
  ).map(noteLine(log));

export function punchLines(log: Log): readonly PunchLine[] {
  const runs = new Map<string, number>();
  for (const row of log.values())
    if (row.kind === 'take' && row.punch !== undefined) runs.set(row.punch, (runs.get(row.punch) ?? 0) + 1);
  return [...log.values()]
    .filter(isPunch)
    .sort((a, b) => a.inS - b.inS || (a.id < b.id ? -1 : 1))
    .map((punch): PunchLine => {
      const { fromS, toS } = recordedEdges(punch);
      return {
        ...{ punch, take: nameOf(log, punch.take), in: clockText(punch.inS), out: clockText(punch.outS) },
        ...{ recorded: stretchText(fromS, toS), runs: runs.get(punch.id) ?? 0 },
      };
    });
}
