import { readClock } from '@ft/core/takes/counter';
import { applyOp } from '@ft/core/takes/applyOps';
import type { Log } from '@ft/core/takes/applyOps';
import { LAYERS, NOTE_KINDS, PUNCH_ENDS } from '@ft/core/takes/logRows';
import type { LogRow } from '@ft/core/takes/logRows';
import type { NoteLine, PunchLine, TakeLine } from '@ft/core/views/takes/logLines';
import type { SheetColumn, SheetEdits, SheetEntry, SheetRefusal } from '../../ui/sheet/sheet-column';
import { readStretches } from './take-columns';
import type { TakeLog } from './take-log';

type Fields = Readonly<Record<string, unknown>>;
/** The fields a text comes to, or why it is none. */
type Read = Fields | string;

const emptied = (text: string): string | null => (text === '' ? null : text);

const oneOf = (words: readonly string[], text: string, field: string): Read => {
  const word = words.find((each) => each.startsWith(text.toLowerCase()));
  return word === undefined ? `“${text}” is none of: ${words.join(', ')}.` : { [field]: word };
};

const clock = (text: string, field: string): Read => {
  const counterS = readClock(text);
  return counterS === undefined
    ? `“${text}” is no time. Write 1:02:03.5, 2:03 or 83.5.`
    : { [field]: counterS };
};

function takeFields(_line: TakeLine, id: string, text: string): Read {
  if (id === 'best') return { best: text === 'on' ? true : null };
  if (id === 'text') return { text: emptied(text) };
  const used = readStretches(text);
  if (used === undefined) return `“${text}” are no stretches. Write 1:02-1:30; 2:00-2:10.`;
  return { used: used.length === 0 ? null : used };
}

function noteFields(_line: NoteLine, id: string, text: string): Read {
  if (id === 'time') return clock(text, 'counterS');
  if (id === 'text') return { text: emptied(text) };
  if (text === '') return { about: null };
  const byNumber = NOTE_KINDS[Number(text) - 1];
  return byNumber === undefined ? oneOf(NOTE_KINDS, text, 'about') : { about: byNumber };
}

function punchFields(_line: PunchLine, id: string, text: string): Read {
  if (id === 'in' || id === 'out') return clock(text, `${id}S`);
  if (id === 'layer') return oneOf(LAYERS, text, 'layer');
  if (id === 'ends') return oneOf(PUNCH_ENDS, text, 'ends');
  const value = Number(text.replace(',', '.'));
  return Number.isNaN(value) ? `“${text}” is no number of seconds.` : { [id]: value };
}

/** What is typed into a sheet of the log: each cell sets fields of its row, and what does not fit is told at once. */
class RowEdits<L> implements SheetEdits<L> {
  constructor(
    private readonly takeLog: TakeLog,
    private readonly rowOf: (line: L) => LogRow,
    private readonly read: (line: L, column: string, text: string) => Read,
    private readonly other: (line: L, column: string, text: string) => boolean = () => false,
  ) {}

  enter(entries: readonly SheetEntry<L>[]): readonly SheetRefusal<L>[] {
    return entries.flatMap((entry) => {
      const sentence = this.one(entry.row, entry.column.id, entry.text.trim());
      return sentence === undefined ? [] : [{ entry, sentence }];
    });
  }

  toggle(row: L, column: SheetColumn<L>): void {
    this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }]);
  }

  private one(line: L, column: string, text: string): string | undefined {
    if (this.other(line, column, text)) return undefined;
    const read = this.read(line, column, text);
    if (typeof read === 'string') return read;
    const row = this.rowOf(line);
    // What the server would refuse is told here, before it is sent.
    const log: Log = this.takeLog.log();
    const made = applyOp(log, { op: 'set', id: row.id, fields: { ...read } });
    if (!made.ok) return made.sentence;
    this.takeLog.set(row, read);
    return undefined;
  }
}

export const takeEdits = (log: TakeLog): SheetEdits<TakeLine> =>
  new RowEdits(log, ({ take }) => take, takeFields);

/** Ctrl Delete crosses a punch out. */
export const punchEdits = (log: TakeLog): SheetEdits<PunchLine> =>
  Object.assign(new RowEdits<PunchLine>(log, ({ punch }) => punch, punchFields), {
    remove: ({ punch }: PunchLine) => {
      log.set(punch, { struck: true }, 'crossed out');
    },
  });

/** Agreeing is more than a field: a punch comes of it. Ctrl Delete crosses a note out, or brings it back. */
export function noteEdits(log: TakeLog): SheetEdits<NoteLine> {
  const edits: SheetEdits<NoteLine> = new RowEdits<NoteLine>(
    log,
    ({ note }) => note,
    noteFields,
    ({ note }, column, text) => {
      if (column !== 'agreed') return false;
      const word = text.toLowerCase();
      log.agree(note, word === '' ? null : word.startsWith('y') || word === 'on');
      return true;
    },
  );
  return Object.assign(edits, {
    remove: ({ note }: NoteLine) => {
      if (note.struck === true) log.set(note, { struck: null }, 'brought back');
      else log.set(note, { struck: true }, 'crossed out');
    },
  });
}
