import { execFileSync } from 'node:child_process';
import Papa from 'papaparse';
import { logCounts, logCsv, logLength } from '@ft/core/formats/csv/logCsv';
import type { ThreadId } from '@ft/core/rig/ids';
import type { Log } from '@ft/core/takes/applyOps';
import { applyOp, runningIn, withOps } from '@ft/core/takes/applyOps';
import { labelsOf, readLabels, writeLabels } from '@ft/core/takes/labels';
import type { LogOp, LogRow } from '@ft/core/takes/logRows';
import {
  nextNumber,
  playersIn,
  punchOf,
  recordedEdges,
  takeSettings,
  tracksOf,
} from '@ft/core/takes/newRows';
import { hearAgain } from '@ft/core/views/takes/hearAgain';
import { noteLines, punchLines, rowName, struckLines, takeLines } from '@ft/core/views/takes/logLines';
import { punchSentences } from '@ft/core/views/takes/punchWords';
import { companyCall } from '../fixtures/cuePlace';
import { logOf, madeAt, noteAt, overAt, T0, takeAt } from '../fixtures/logOf';
import { firstScene } from '../fixtures/studioOf';
import { saltglassRooms } from '../fixtures/builtDemo';
import { seeded } from '../fixtures/seeded';
import { threadsIn } from '@ft/core/session/sessionSchema';

const add = (row: LogRow): LogOp => ({ op: 'add', row });
const set = (row: LogRow, fields: Readonly<Record<string, unknown>>): LogOp => ({
  op: 'set',
  id: row.id,
  fields,
});
const told = (log: Log, op: LogOp): string => {
  const made = applyOp(log, op);
  return made.ok ? 'made' : `${made.code}: ${made.sentence}`;
};

const first = takeAt('first', 0, overAt(372));
const second = takeAt('second', 30, { number: 2 }, T0 + 600_000);

describe('an operation on a log', () => {
  it('adds a row once, however often it is sent', () => {
    const log = withOps(new Map(), [add(first), add(first), add({ ...first, reel: 'Other' })]);
    expect([...log.values()]).toEqual([first]);
    expect(applyOp(log, add(first))).toMatchObject({ ok: true, isSame: true });
  });

  it('starts no second take while one runs, and says whose it is', () => {
    const log = logOf([first, second]);
    expect(runningIn(log)?.id).toBe(second.id);
    expect(told(log, add(takeAt('third', 0)))).toBe(
      'take-running: Take 2 of Reel 1 runs already, started by Control room. Stop it first; notes can be dropped into it from here.',
    );
    expect(told(withOps(log, [set(second, overAt(90))]), add(takeAt('third', 0)))).toBe('made');
  });

  it('ends no take before it starts', () => {
    expect(told(logOf([second]), set(second, overAt(12)))).toBe(
      'before-start: Take 2 cannot end at 0:00:12.0, before its start at 0:00:30.0.',
    );
  });

  it('sets no counter to before the start of its take', () => {
    const syncs = [...second.syncs, { atMs: T0 + 700_000, counterS: 12 }];
    expect(told(logOf([second]), set(second, { syncs }))).toBe(
      'before-start: The counter would stand at 0:00:12.0, before the start of take 2 at 0:00:30.0. Stop the take and start another there.',
    );
  });

  it('takes no note before the start of its take, and none without one', () => {
    const log = logOf([second]);
    expect(told(log, add(noteAt('n', second, 12)))).toMatch(
      /^before-start: 0:00:12.0 is before the start of take 2/,
    );
    expect(told(log, add(noteAt('n', first, 12)))).toBe(
      'no-take: Its take is not in this log. Start a take first.',
    );
  });

  it('never turns both rolls of a punch off, and lets none go out before it goes in', () => {
    const note = noteAt('n', first, 100);
    const punch = punchOf(madeAt('p', T0), {}, note, first, { performer: 'Imke Tarrow', tracks: ['NARR'] });
    const log = logOf([first, note, punch]);
    expect(told(log, set(punch, { preRollS: 0 }))).toBe('made');
    expect(told(log, set(punch, { preRollS: 0, postRollS: 0 }))).toMatch(
      /^misfit: Pre-roll and post-roll are never both off/,
    );
    expect(told(log, set(punch, { outS: 90 }))).toMatch(/^misfit: A punch goes out after it goes in/);
  });

  it('changes nothing that says what a row is, and nothing to what does not fit', () => {
    const log = logOf([first]);
    expect(told(log, set(first, { id: 'another-id' }))).toBe('misfit: “id” of a line stays as it is.');
    expect(told(log, set(first, { number: 'two' }))).toMatch(/^misfit: number: /);
    expect(told(log, set(takeAt('gone', 0), { text: 'x' }))).toBe('no-take: This line is not in the log.');
  });

  it('empties a field with null', () => {
    const log = withOps(logOf([first]), [set(first, { best: true }), set(first, { best: null })]);
    expect(log.get(first.id)).toEqual(first);
  });
});

describe('windows that write at once', () => {
  it.each([1, 2, 3, 4])(
    'end with the same rows, none lost and none twice, whatever was sent again: seed %d',
    (seed) => {
      const dice = seeded(seed);
      const ops = Array.from({ length: 60 }, (_, i) => add(noteAt(`w${String(i)}`, first, dice.below(300))));
      // Each window sends its own in order; answers get lost, so that some are sent again later.
      const queues = [ops.filter((_, i) => i % 2 === 0), ops.filter((_, i) => i % 2 === 1)];
      let log: Log = logOf([first]);
      while (queues.some((queue) => queue.length > 0)) {
        const queue = dice.pick(queues.filter((each) => each.length > 0));
        const sent = queue.slice(0, 1 + dice.below(5));
        log = withOps(log, sent);
        if (dice.chance(0.6)) queue.splice(0, sent.length);
      }
      expect([...log.values()].filter(({ kind }) => kind === 'note')).toHaveLength(60);
    },
  );
});

describe('who plays', () => {
  const { session, scene } = firstScene(saltglassRooms());
  const lines = threadsIn(session, session.scenes.find(({ id }) => id === 'tracking') ?? scene);

  it('arms every line of theirs, spot and room, from the input list', () => {
    expect(new Set(tracksOf(lines, ['Wen Askelby']))).toEqual(new Set(['HARP', 'HARPLO', 'ROOM']));
    expect(tracksOf(lines, ['Imke Tarrow'])).toEqual(['NARR', 'ROOM']);
    expect(playersIn(lines)).toContain('Brannoc Teale');
  });

  it('numbers takes by reel', () => {
    const log = logOf([first, takeAt('x', 0, { reel: 'Reel 2', number: 7 })]);
    expect([nextNumber(log, 'Reel 1'), nextNumber(log, 'Reel 2'), nextNumber(log, 'New')]).toEqual([2, 8, 1]);
  });
});

describe('a punch', () => {
  const note = noteAt('n', first, 171.8);
  const punch = punchOf(madeAt('p', T0), { takes: { preRollS: 4 } }, note, first, {
    ...{ performer: 'Imke Tarrow', tracks: ['NARR', 'ROOM'] },
  });

  it('begins around its note, with the rolls of the session', () => {
    expect(punch).toMatchObject({
      inS: 169.8,
      outS: 173.8,
      preRollS: 4,
      postRollS: 5,
      layer: 'last take',
      ends: 'at out',
    });
    expect(takeSettings({})).toEqual({ reactionS: 1, preRollS: 7, postRollS: 5 });
  });

  it('keeps both edges: recording runs before and after', () => {
    expect(recordedEdges(punch)).toEqual({ fromS: 165.8, toS: 178.8 });
    expect(recordedEdges({ ...punch, inS: 2 })).toMatchObject({ fromS: 0 });
  });

  it('says what the performer hears, when arming ends, how it ends, and which school it is', () => {
    expect(punchSentences(punch)).toEqual([
      'Starts at 0:02:45.8, in at 0:02:49.8, out at 0:02:53.8, 5 s on.',
      'Armed: NARR, ROOM; every line of Imke Tarrow, spot and room. Arming ends after the run.',
      'Imke Tarrow hears the old take up to the punch, their own input from there, and the old take again behind it.',
      'Recording runs from 0:02:45.8 to 0:02:58.8, so that both edges can be opened later.',
      'It goes out by itself.',
      expect.stringMatching(/^The new layer begins as a copy of the last take/),
    ]);
  });
});

describe('the lists', () => {
  const notes = [
    noteAt('c', second, 40, { about: 'late' }),
    noteAt('b', first, 100, { text: 'bow noise', agreed: true, agreedBy: 'Wen Askelby' }),
    noteAt('a', first, 20, { about: 'good' }),
    noteAt('d', first, 10, { struck: true }),
  ];
  const punch = punchOf(madeAt('p', T0), {}, notes[1]!, first, {
    performer: 'Imke Tarrow',
    tracks: ['NARR'],
  });
  const run = takeAt(
    'run',
    90,
    { ...overAt(110), number: 3, punch: punch.id, of: first.id, used: [{ fromS: 98, toS: 102 }] },
    T0 + 900_000,
  );
  const log = logOf([first, { ...second, ...overAt(90) }, ...notes, punch, run]);

  it('tell notes take by take and by their time, without what is crossed out', () => {
    expect(noteLines(log).map(({ note, time, take }) => [note.id.slice(-1), time, take])).toEqual([
      ['a', '0:00:20.0', 'Reel 1, take 1'],
      ['b', '0:01:40.0', 'Reel 1, take 1'],
      ['c', '0:00:40.0', 'Reel 1, take 2'],
    ]);
    expect(noteLines(log, second.id)).toHaveLength(1);
    expect(noteLines(log)[1]).toMatchObject({ agreed: 'yes', by: 'Control room; Wen Askelby' });
  });

  it('call a row by what it is and where', () => {
    expect([first, notes[0]!, punch].map(rowName)).toEqual([
      'Reel 1, take 1',
      'Note at 0:00:40.0',
      'Punch at 0:01:38.0',
    ]);
  });

  it('tell what is crossed out by itself', () => {
    expect(struckLines(log).map(({ note, time }) => [note.id.slice(-1), time])).toEqual([['d', '0:00:10.0']]);
  });

  it('tell takes with what is used, what they play into, and tracks that are gone', () => {
    const lines = takeLines(log, { tracks: [{ name: 'NARR' }] as never });
    expect(lines.map(({ name, notes: count, of, used, gone }) => [name, count, of, used, gone])).toEqual([
      ['Reel 1, take 1', 2, '', '', ['ROOM']],
      ['Reel 1, take 2', 1, '', '', ['ROOM']],
      ['Reel 1, take 3', 0, 'plays into Reel 1, take 1', '0:01:38.0–0:01:42.0', ['ROOM']],
    ]);
    expect(punchLines(log)).toMatchObject([
      { in: '0:01:38.0', out: '0:01:42.0', recorded: '0:01:31.0–0:01:47.0', runs: 1 },
    ]);
    expect([logCounts(log), logLength(log)]).toEqual(['3 takes, 3 notes, 1 punch', '0:07:32.0']);
    const without = withOps(log, [set(punch, { struck: true })]);
    expect([punchLines(without), logCounts(without)]).toEqual([[], '3 takes, 3 notes, 0 punches']);
  });

  it('are a label file that reads back to a microsecond', () => {
    const labels = labelsOf(log);
    const back = readLabels(writeLabels(labels));
    expect(back).toHaveLength(labels.length);
    back.forEach((label, i) => {
      expect(label.text).toBe(labels[i]!.text);
      expect(label.fromS).toBeCloseTo(labels[i]!.fromS, 6);
      expect(label.toS).toBeCloseTo(labels[i]!.toS, 6);
    });
    expect(writeLabels([{ fromS: 1, toS: 2.5, text: 'a\ttab\nand a line' }])).toBe(
      '1.000000\t2.500000\ta tab and a line\n',
    );
    expect(readLabels('no label\n1.0\t2.0\tone\n')).toEqual([{ fromS: 1, toS: 2, text: 'one' }]);
  });

  it('are a label file for awk as well: three fields a line, times ascending', () => {
    const out = execFileSync(
      'awk',
      ['-F', '\t', 'NF != 3 || $1 + 0 < last { exit 1 } { last = $1 + 0; n++ } END { print n }'],
      {
        input: writeLabels(labelsOf(log)),
      },
    );
    expect(Number(out)).toBe(labelsOf(log).length);
  });

  it('are a table with a line for each of them', () => {
    const { data } = Papa.parse<Record<string, string>>(logCsv(log), { header: true, skipEmptyLines: true });
    expect(
      data.map(({ What, Take, From, About, Text, Agreed }) => [What, Take, From, About, Text, Agreed]),
    ).toEqual([
      ['take', 'Reel 1, take 1', '0:00:00.0', '', '', ''],
      ['take', 'Reel 1, take 2', '0:00:30.0', '', '', ''],
      [
        'punch run',
        'Reel 1, take 3',
        '0:01:30.0',
        '',
        'used 0:01:38.0–0:01:42.0; plays into Reel 1, take 1',
        '',
      ],
      ['note', 'Reel 1, take 1', '0:00:20.0', 'good', '', ''],
      ['note', 'Reel 1, take 1', '0:01:40.0', '', 'bow noise', 'yes'],
      ['note', 'Reel 1, take 2', '0:00:40.0', 'late', '', ''],
      [
        'punch',
        'Reel 1, take 1',
        '0:01:38.0',
        'at out',
        'recorded 0:01:31.0–0:01:47.0; new layer from last take',
        '',
      ],
    ]);
  });
});

describe('what is heard again', () => {
  it('is each performer’s tracks alone, over the cue their headphones are on', () => {
    const { context } = companyCall();
    const take = takeAt('t', 0, { ...overAt(60), performers: ['Imke Tarrow', 'Nobody Here'] });
    const log = logOf([take, noteAt('n', take, 12, { about: 'words' })]);
    const session = {
      ...context.session,
      threads: context.session.threads.map((thread) =>
        thread.id === ('line-1' as ThreadId)
          ? { ...thread, purpose: 'input' as const, trackName: 'NARR' }
          : thread,
      ),
    };
    const heard = hearAgain(session, context.scene, log, take.id);
    expect(heard.map(({ performer, cues, says }) => [performer, cues, says])).toEqual([
      [
        'Imke Tarrow',
        ['Narrator'],
        expect.stringMatching(
          /^Play NARR.* alone to Imke Tarrow, over the cue Narrator; everybody else hears nothing\.$/,
        ),
      ],
      ['Nobody Here', [], expect.stringContaining('over the control room')],
    ]);
    expect(heard[0]!.places).toEqual([{ time: '0:00:12.0', text: 'words' }]);
  });
});
