import { applyChange } from '@ft/core/edits/change';
import { rigCheck } from '@ft/core/rig/wiring/rigCheck';
import { integrityProblems } from '@ft/core/session/integrity';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { answersSchema } from '@ft/core/starters/answersSchema';
import { startedStudio } from '@ft/core/starters/startedStudio';
import type { Answers, Starter } from '@ft/core/starters/starter';
import { usualAnswers } from '@ft/core/starters/starter';
import { starterRig } from '@ft/core/starters/starterRig';
import { STARTERS } from '@ft/core/starters/starters';
import { addThreadEdits, removeThreadEdits } from '@ft/core/actions/track/threadEdits';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import { rigNoteViews } from '@ft/core/words/rigNoteWording';
import type { Plan } from '@ft/core/views/plan';
import { planOf } from '@ft/core/views/plan';

const SIZES = ['least', 'usual', 'most'] as const;

/** All counts of one size, and every switch both ways. */
function answersOf({ asks }: Starter, size: (typeof SIZES)[number]): readonly Answers[] {
  const counts = Object.fromEntries(
    asks.map((ask) => [ask.key, ask.kind === 'count' ? ask[size] : ask.usual]),
  );
  return asks
    .filter(({ kind }) => kind === 'switch')
    .reduce<readonly Answers[]>(
      (all, { key }) => all.flatMap((each) => [each, { ...each, [key]: each[key] !== true }]),
      [counts],
    );
}

function started(starter: Starter, answers: Answers): Studio {
  const plan = starter.plan(answers);
  return startedStudio(starterRig(starter, plan, answers), plan, { name: 'Room', session: starter.session });
}

function planned({ rig, floor, sessions: [session] }: Studio): Plan {
  return planOf(rig, session!, session!.scenes[0]!, floor).plan;
}

const CASES = STARTERS.flatMap((starter) =>
  SIZES.flatMap((size) =>
    answersOf(starter, size).map((answers) => ({
      name: `${starter.id}, ${size}: ${JSON.stringify(answers)}`,
      starter,
      answers,
    })),
  ),
);

/**
 * Findings of error or warning that a room may open with: a careful engineer would give them too, and the reason
 * stands beside each. So far there is none: monitor controllers, amplifiers with a level knob, one master of the
 * clock and XLR on the mic bay were put into the rooms because without them there was one.
 */
const EXCUSED: readonly string[] = [];

describe.each(CASES)('$name', ({ starter, answers }) => {
  const studio = started(starter, answers);
  const plan = planned(studio);

  it('opens with a session in which every line runs', () => {
    expect(plan.rows.filter(({ status }) => status !== 'routed' && status !== 'patched')).toEqual([]);
    expect(plan.rows.length).toBe(starter.plan(answers).lines.length);
  });

  it('opens with no error and no warning', () => {
    const found = plan.findings
      .filter(({ severity, rule }) => severity !== 'note' && !EXCUSED.includes(rule))
      .map(({ rule, wrong }) => `${rule}: ${wrong}`);
    expect(found).toEqual([]);
    expect(plan.failedRules).toEqual([]);
  });

  it('is a rig like any other: it holds together, and nothing in its wiring is wrong', () => {
    expect(integrityProblems(studioSchema.parse(JSON.parse(JSON.stringify(studio))))).toEqual([]);
    const notes = rigNoteViews(rigCheck(studio.rig), (id) => id);
    expect(notes.filter(({ severity }) => severity !== 'note').map(({ text }) => text)).toEqual([]);
  });

  it('brings condensers 48 V, and nothing else', () => {
    const byName = plan.rows.map(({ sourceName, settings }) => [
      sourceName.split(' ')[0],
      settings.phantom?.value,
    ]);
    const mics = byName.filter(([kind]) => kind === 'Condenser' || kind === 'Dynamic');
    expect(mics.filter(([kind, on]) => on !== (kind === 'Condenser'))).toEqual([]);
  });
});

/** Numbers between the smallest and the largest, drawn. */
const drawn = ({ asks }: Starter, dice: Dice): Answers =>
  Object.fromEntries(
    asks.map((ask) => [
      ask.key,
      ask.kind === 'count' ? ask.least + dice.below(ask.most - ask.least + 1) : dice.chance(0.5),
    ]),
  );

describe.each(STARTERS)('$id, with numbers that were drawn', (starter) => {
  it.each(seedsFrom1(3, 60))('runs without error or warning, seed %d', (seed) => {
    const answers = drawn(starter, seeded(seed));
    const { rows, findings } = planned(started(starter, answers));
    expect({
      answers,
      broken: rows
        .filter(({ status }) => status !== 'routed' && status !== 'patched')
        .map(({ name }) => name),
      found: findings.filter(({ severity }) => severity !== 'note').map(({ wrong }) => wrong),
    }).toEqual({ answers, broken: [], found: [] });
  });
});

describe('starter rooms', () => {
  it('are six, and each says what is asked of it', () => {
    expect(STARTERS.map(({ id }) => id)).toEqual([
      'interface',
      'hybrid',
      'split-console',
      'three-for-one',
      'stage',
      'pedals',
    ]);
    for (const starter of STARTERS) {
      const rig = starterRig(starter, starter.plan(usualAnswers(starter)), usualAnswers(starter));
      expect(rig.begunAs?.room).toBe(starter.name);
      expect(rig.begunAs?.asked.length).toBe(starter.asks.length);
    }
  });

  it('give the same room for the same answers', () => {
    for (const starter of STARTERS)
      expect(started(starter, usualAnswers(starter))).toEqual(started(starter, usualAnswers(starter)));
  });

  it('come from the router at the preamp gain that the advice gives (common practice, no source)', () => {
    const [starter] = STARTERS;
    const voice = planned(started(starter!, usualAnswers(starter!))).rows[0];
    // By hand: 14 mV/Pa at 90 dB SPL, so 4 dB under 1 Pa, into 2400 Ω from 200 Ω, reaches 0 dBu = −18 dBFS at +18.
    const open = 20 * Math.log10(0.014 / Math.sqrt(0.6)) + (90 - 94);
    const loaded = open + 20 * Math.log10(2400 / 2600);
    expect(voice?.settings.gainDb?.value).toBe(Math.floor(-loaded));
  });

  it('wire bus 1 of eight to recorder inputs 1, 9 and 17 (three for one: common practice, no source)', () => {
    const starter = STARTERS.find(({ id }) => id === 'three-for-one')!;
    const { hardwires } = starterRig(starter, starter.plan(usualAnswers(starter)), usualAnswers(starter));
    const fed = (bus: number): readonly string[] =>
      hardwires.filter(({ from }) => from === `desk/out-${String(bus)}/1`).map(({ to }) => to);
    // DB-25 sockets carry eight lanes (AES59): 1, 9 and 17 are lane 1 of the first three.
    expect(fed(1)).toEqual(['converter/line-in-1/1', 'converter/line-in-2/1', 'converter/line-in-3/1']);
    expect(fed(8)).toEqual(['converter/line-in-1/8', 'converter/line-in-2/8', 'converter/line-in-3/8']);
  });

  it('take one more line in the input list: a microphone on the next free input', () => {
    const [starter] = STARTERS;
    const answers = { ...usualAnswers(starter!), mics: 4 };
    const studio = started(starter!, answers);
    const place = { session: studio.sessions[0]!.id, scene: studio.sessions[0]!.scenes[0]!.id };
    const [first] = studio.sessions[0]!.threads;
    const removed = applyChange(studio, removeThreadEdits(studio, place, first!.id));
    if (!removed.ok) throw new Error('it can be removed');
    const again = threadSchema.parse({ ...first, id: 'anew', number: 20 });
    const added = applyChange(removed.value, addThreadEdits(removed.value, place, again));
    expect(added.ok && planned(added.value).rows.find(({ thread }) => thread.id === 'anew')?.status).toBe(
      'routed',
    );
  });

  it.each([
    ['mics', 0, 'such a room has 1 to 12 mic inputs'],
    ['mics', 13, 'such a room has 1 to 12 mic inputs'],
    ['mics', 2.5, 'a whole number'],
    ['compressors', -1, 'such a room has 0 to 6 compressors'],
  ])('refuse %s = %s in words', (key, value, because) => {
    const [starter] = STARTERS;
    const read = answersSchema(starter!).safeParse({ ...usualAnswers(starter!), [key]: value });
    expect(read.error?.issues.map(({ path, message }) => [path[0], message])).toEqual([[key, because]]);
  });

  it('refuse an answer nobody asked for, and one that is missing', () => {
    const [starter] = STARTERS;
    expect(answersSchema(starter!).safeParse({ ...usualAnswers(starter!), bays: 2 }).success).toBe(false);
    expect(answersSchema(starter!).safeParse({ mics: 2 }).success).toBe(false);
  });
});
