import type { Log } from '@ft/core/takes/applyOps';
import { withOps } from '@ft/core/takes/applyOps';
import type { LogOp, LogRow } from '@ft/core/takes/logRows';
import { NOTE_KINDS } from '@ft/core/takes/logRows';
import { changesOf, turned } from '@ft/core/takes/takeBack';
import { logOf, noteAt, overAt, takeAt, T0 } from '../fixtures/logOf';
import { seeded } from '../fixtures/seeded';

const take = takeAt('take', 30, overAt(400));
const note = noteAt('note', take, 100, { about: 'late' });
const add = (row: LogRow): LogOp => ({ op: 'add', row });
const set = (row: LogRow, fields: Readonly<Record<string, unknown>>): LogOp => ({
  ...{ op: 'set', id: row.id, fields },
});
const rows = (log: Log): readonly LogRow[] => [...log.values()];

/** Makes operations, takes them back and makes them again: the log after each. */
function thereAndBack(log: Log, ops: readonly LogOp[]): readonly [made: Log, back: Log, again: Log] {
  const changes = changesOf(log, ops);
  const made = withOps(log, ops);
  const back = withOps(made, turned(made, changes, 'before').ops);
  return [made, back, withOps(back, turned(back, changes, 'after').ops)];
}

describe('taking back what was done to a log', () => {
  it('puts fields back as they were, empty ones too', () => {
    const log = logOf([take, note]);
    const [made, back, again] = thereAndBack(log, [set(note, { about: null, text: 'after the bar' })]);
    expect(made.get(note.id)).not.toHaveProperty('about');
    expect(rows(back)).toEqual(rows(log));
    expect(rows(again)).toEqual(rows(made));
  });

  it('crosses out a note that was made, since rows stay for ever', () => {
    const [made, back, again] = thereAndBack(logOf([take]), [add(note)]);
    expect(back.get(note.id)).toEqual({ ...note, struck: true });
    expect(rows(again)).toEqual(rows(made));
  });

  it('leaves a take that was started, and lets one run on that was stopped', () => {
    const runs = takeAt('runs', 0, {}, T0);
    expect(changesOf(new Map(), [add(runs)])).toEqual([]);
    const [made, back] = thereAndBack(logOf([runs]), [set(runs, overAt(60))]);
    expect(made.get(runs.id)).toMatchObject({ endS: 60 });
    expect(rows(back)).toEqual([runs]);
  });

  it('leaves what another window changed since, and counts it', () => {
    const ops = [set(note, { text: 'ours' }), set(take, { best: true })];
    const log = logOf([take, note]);
    const changes = changesOf(log, ops);
    const theirs = withOps(withOps(log, ops), [set(note, { text: 'theirs' })]);
    const { ops: back, changedSince } = turned(theirs, changes, 'before');
    expect(changedSince).toBe(1);
    expect(rows(withOps(theirs, back))).toEqual([take, { ...note, text: 'theirs' }]);
  });

  it('leaves out rows that were never stored', () => {
    expect(turned(new Map(), changesOf(logOf([take, note]), [set(note, { text: 'x' })]), 'before')).toEqual({
      ops: [],
      changedSince: 0,
    });
  });

  it.each([1, 2, 3, 4, 5, 6])(
    'is the identity, whatever was done, several times to one row: seed %d',
    (seed) => {
      const dice = seeded(seed);
      const notes = Array.from({ length: 5 }, (_, i) =>
        noteAt(`n${String(i)}`, take, 40 + i, dice.chance(0.5) ? { text: 'was' } : {}),
      );
      const log = logOf([take, ...notes]);
      const ops = Array.from({ length: 12 }, (): LogOp => {
        const one = dice.pick(notes);
        if (dice.chance(0.3)) return set(one, { about: dice.chance(0.3) ? null : dice.pick(NOTE_KINDS) });
        if (dice.chance(0.3)) return set(one, { agreed: dice.chance(0.5), agreedBy: 'Imke Tarrow' });
        return set(one, { counterS: 30 + dice.below(300), text: dice.chance(0.4) ? null : 'now' });
      });
      const [made, back, again] = thereAndBack(log, ops);
      expect(rows(back)).toEqual(rows(log));
      expect(rows(again)).toEqual(rows(made));
    },
  );
});
