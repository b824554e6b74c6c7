import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { contentions, waitsFor } from '@ft/core/mix/scarcity';
import type { HostProfile } from '@ft/core/session/daw/hostProfile';
import type { JobId } from '@ft/core/rig/ids';
import { insertBudget, insertsView } from '@ft/core/views/mix/insertsView';
import { contentionLines, dayLines } from '@ft/core/views/mix/scarcityLines';
import { hardwareSlot, track } from '../checks/examples/example';
import type { Mix } from '../fixtures/mixStudio';
import { added, did, FREE, mixPlace, pairs, refusals, stand, tracksOf, UNITS } from '../fixtures/mixStudio';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const REUSE = { ...FREE, reusePair: true };
const TRACKS = [
  ...tracksOf(['NARR', 'LAMP', 'FOLEY']),
  track('plate', { number: 9, name: 'PLATE', kind: 'aux' }),
];
const threeWant = (more: Mix = {}): WorkPlace =>
  added(
    mixPlace({ tracks: TRACKS, session: { mix: { lengthS: 270 } }, ...more }),
    'NARR: opto > fast',
    'LAMP: opto',
    'PLATE: fast',
  );
const says = (it: WorkPlace): readonly string[] => contentionLines(it.context).map((line) => line.says);
const states = (it: WorkPlace): readonly string[] =>
  [...it.context.session.jobs].sort((a, b) => a.number - b.number).map(({ state }) => state);

describe('a unit that several jobs want', () => {
  it('is given to the first, and the others are told who has it', () => {
    const it = mixPlace({ tracks: TRACKS });
    const one = added(it, 'NARR: opto');
    const plan = jobDeed(one, { does: 'add-job', text: 'LAMP: opto' });
    expect(refusals(plan)).toEqual([
      'Opto compressor serves NARR just now. Commit NARR first, or put this job up in its place.',
    ]);
    expect(pairs(added(one, 'LAMP: opto'))).toEqual(['1/1', 'waiting']);
  });

  it('makes one group of jobs that hang together, with who stays live and why, and what the commits take', () => {
    expect(says(threeWant())).toEqual([
      'Opto compressor and Fast compressor: 3 jobs. PLATE and LAMP should stay live. Commit first: 1 NARR (4:30); 4:30 in real time.',
    ]);
    expect(contentions(threeWant().context)[0]!.isConflict).toBe(true);
  });

  it('is resolved by marking all but those that can be live together', () => {
    const it = did(threeWant(), { does: 'resolve' });
    // LAMP and PLATE share nothing, so both stay.
    expect(states(it)).toEqual(['to commit', 'live', 'live']);
    expect(contentions(it.context)[0]!.isConflict).toBe(false);
    expect(waitsFor(it.context, stand(it, 2).job)).toEqual(['narr-job']);
  });

  it('serves them one after the other: its day', () => {
    const it = did(threeWant(), { does: 'resolve' });
    expect(
      dayLines(it.context).map(({ unit, entries }) => [
        unit,
        ...entries.map(({ track: on, state, when }) => `${on} ${state} ${when}`),
      ]),
    ).toEqual([
      ['Opto compressor', 'NARR to commit 0:00–4:30', 'LAMP live from 4:30'],
      ['Fast compressor', 'NARR to commit 0:00–4:30', 'PLATE live from 4:30'],
    ]);
  });

  it('says no times where the length of the material is not known', () => {
    const it = did(threeWant({ session: {} }), { does: 'resolve' });
    expect(dayLines(it.context)[0]!.entries.map(({ when }) => when)).toEqual(['', '']);
    expect(says(it)[0]).toMatch(/Commit first: 1 NARR\.$/);
  });

  it('is free again once a job is committed', () => {
    const it = did(
      threeWant(),
      { does: 'resolve' },
      { does: 'commit', job: 'narr-job' as JobId },
      { does: 'bring-up' },
    );
    expect(pairs(it)).toEqual(['waiting', '1/1', '2/2']);
    expect(contentions(it.context)).toEqual([]);
  });
});

describe('who stays live of two that want one unit', () => {
  // The last in the signal: common practice, no source.
  it.each([
    [
      ['NARR: opto', 'PLATE: opto'],
      'PLATE should stay live: it is on a bus, and every track in it changes what it does.',
    ],
    [['NARR: opto', 'LAMP: opto'], 'NARR should stay live: it has the lowest number of them.'],
    [
      ['LAMP: opto', 'PRINT: opto'],
      'PRINT should stay live: it is on the mix, and everything before it changes what it does.',
    ],
  ] as const)('%j: %s', (texts, sentence) => {
    const print = track('print', { number: 10, name: 'PRINT', kind: 'print' });
    expect(says(added(mixPlace({ tracks: [...TRACKS, print] }), ...texts))[0]).toContain(sentence);
  });
});

describe('one job put up in the place of another', () => {
  const two = (hostProfile: HostProfile): WorkPlace =>
    did(added(mixPlace({ tracks: TRACKS, session: { hostProfile } }), 'NARR: opto', 'LAMP: opto'), {
      ...{ does: 'put-up', job: 'lamp-job' as JobId },
    });

  it('takes its slot out on a host that takes a pair once', () => {
    expect(pairs(two(FREE))).toEqual(['waiting', '1/1']);
  });

  it('switches it off on a host that takes a pair in several slots, and shares the pair', () => {
    const it = two(REUSE);
    expect(pairs(it)).toEqual(['standing by', '1/1']);
    expect(stand(it, 1).slot).toMatchObject({ send: 1, off: true });
    const back = did(it, { does: 'put-up', job: 'narr-job' as JobId });
    expect(pairs(back)).toEqual(['1/1', 'standing by']);
  });

  it('is told of a host that can only switch hardware off', () => {
    const notes = (onlySwitchesOff?: true): readonly string[] => {
      const session = { hostProfile: { ...REUSE, ...(onlySwitchesOff && { onlySwitchesOff }) } };
      const it = added(mixPlace({ tracks: TRACKS, session }), 'NARR: opto', 'LAMP: opto');
      return insertsView(did(it, { does: 'put-up', job: 'lamp-job' as JobId }).context).rows[0]!.notes;
    };
    expect(notes()).toEqual(['switched off, its time kept']);
    expect(notes(true)).toEqual(['switched off: the delay of the session changes with it']);
  });
});

describe('the budget of inserts', () => {
  const many = (count: number, session: Mix['session'] = {}): WorkPlace =>
    mixPlace({
      channels: 30,
      tracks: Array.from({ length: count }, (_, i) =>
        track(`t${String(i + 1)}`, { number: i + 1, inserts: [hardwareSlot(i + 1)] }),
      ),
      session,
    });

  // About twenty at a small buffer: common practice, no source.
  it.each([
    [20, {}, false],
    [21, {}, true],
    [21, { mix: { insertLimit: 24 } }, false],
    [21, { hostProfile: { ...FREE, insertsAtSmallBuffer: false } }, false],
  ] as const)('%d inserts with %j: over is %s', (count, session, isOver) => {
    expect(insertBudget(many(count, session).context)).toMatchObject({ used: count, isOver });
  });
});

/** Random jobs over a few units, some of them to commit. */
function randomJobs(seed: number): WorkPlace {
  const dice = seeded(seed);
  const names = ['A', 'B', 'C', 'D', 'E'];
  const units = UNITS.map(([, name]) => name.toLowerCase());
  const it = mixPlace({ tracks: tracksOf(names) });
  return names.reduce((now, name) => {
    const chain = units.filter(() => dice.chance(0.4));
    return chain.length === 0
      ? now
      : added(now, `${name}: ${chain.join(' > ')}${dice.chance(0.4) ? '; commit' : ''}`);
  }, it);
}

describe('random jobs over scarce units', () => {
  it.each(seedsFrom1(25, 400))(
    '%d: no unit serves two at once, and committing in order lets every job have its turn',
    (seed) => {
      const it = randomJobs(seed);
      const up = (place: WorkPlace): readonly string[] =>
        insertsView(place.context).rows.flatMap(({ placing, id }) =>
          placing === 'up' ? place.context.session.jobs.find((job) => job.id === id)!.chain.flat() : [],
        );
      expect(new Set(up(it)).size).toBe(up(it).length);
      let now = did(it, { does: 'resolve' });
      expect(contentions(now.context).some(({ isConflict }) => isConflict)).toBe(false);
      const waiting = [...now.context.session.jobs]
        .filter(({ state }) => state === 'to commit')
        .sort((a, b) => a.number - b.number);
      for (const { id, number } of waiting) {
        now = did(now, { does: 'put-up', job: id });
        expect(
          pairs(now)[
            [...now.context.session.jobs]
              .sort((a, b) => a.number - b.number)
              .findIndex((job) => job.number === number)
          ],
        ).toMatch(/\d\/\d/);
        expect(new Set(up(now)).size).toBe(up(now).length);
        now = did(now, { does: 'commit', job: id });
      }
      now = did(now, { does: 'bring-up' });
      expect(insertsView(now.context).waiting).toBe(0);
      expect(jobDeed(now, { does: 'bring-up' }).edits).toEqual([]);
    },
  );
});
