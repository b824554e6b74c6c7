import { tickEdits } from '@ft/core/actions/bay/floorEdits';
import { stepsTo } from '@ft/core/repatch/target';
import { applyNewChange } from '@ft/core/edits/change';
import { repatch } from '@ft/core/repatch/repatch';
import type { Step } from '@ft/core/repatch/step';
import { isCordStep } from '@ft/core/repatch/step';
import type { SettingKey } from '@ft/core/rig/settings';
import type { Floor } from '@ft/core/session/floorSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import { firstScene, PLACE, studioOf } from '../fixtures/studioOf';
import type { Normalling, SimCord } from './powerSimulator';
import { PowerSimulator } from './powerSimulator';
import { NOW } from '../fixtures/now';

const COLUMNS = 5;
const MICS = 4;
const to = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

/** Microphones, a wall panel, a bay of XLR jacks, a preamp: everything that 48 V can get to. */
function rigOf(columns: readonly Normalling[], scene: Scene): Studio {
  return studioOf({
    devices: [
      ...to(MICS).map((n) => ({
        id: `mic-${String(n)}`,
        type: 'microphone',
        params: { principle: 'condenser' as const, sensitivityMvPerPa: 20 },
      })),
      { id: 'panel', type: 'wallPanel', params: { lines: COLUMNS } },
      {
        id: 'bay',
        type: 'patchbay',
        params: {
          columns: COLUMNS,
          connector: 'xlr',
          sections: columns.map((normalling, i) => ({ columns: String(i + 1), normalling })),
        },
      },
      { id: 'preamp', type: 'micPreamp', params: { channels: COLUMNS } },
    ],
    wires: to(COLUMNS).flatMap((n): [string, string][] => [
      [`panel/rear-${String(n)}/1`, `bay/upper-rear-${String(n)}/1`],
      [`bay/lower-rear-${String(n)}/1`, `preamp/mic-${String(n)}/1`],
    ]),
    stocks: [{ id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count: 9 }],
    cords: scene.cords.map(({ from, to: end }) => ({ from, to: end, stock: 'mic' })),
    settings: Object.fromEntries(scene.on.map((n) => [`preamp/phantom/${String(n)}`, true])),
  });
}

interface Scene {
  readonly cords: readonly SimCord[];
  readonly on: readonly number[];
}

function randomScene(dice: Dice): Scene {
  const outs = [
    ...to(MICS).map((n) => `mic-${String(n)}/out/1`),
    ...to(COLUMNS).map((n) => `bay/upper-${String(n)}/1`),
  ];
  const ins = to(COLUMNS).flatMap((n) => [`panel/jack-${String(n)}/1`, `bay/lower-${String(n)}/1`]);
  const take = (from: string[]): string => from.splice(dice.below(from.length), 1)[0]!;
  return {
    cords: Array.from({ length: dice.below(5) }, () => ({ from: take(outs), to: take(ins) })),
    on: to(COLUMNS).filter(() => dice.chance(0.4)),
  };
}

interface Case {
  readonly columns: readonly Normalling[];
  readonly before: Scene;
  readonly after: Scene;
  /** Off, but nobody has waited yet. */
  readonly draining: readonly number[];
}

function randomCase(seed: number): Case {
  const dice = seeded(seed);
  const columns = to(COLUMNS).map(() => dice.pick(['full', 'half', 'none', 'parallel'] as const));
  const before = randomScene(dice);
  // Mostly a few cords more or less, as between two songs.
  const other = randomScene(dice);
  const free = other.cords.filter(
    ({ from, to: end }) => !before.cords.some((c) => c.from === from || c.to === end),
  );
  const near = { cords: [...before.cords.filter(() => dice.chance(0.7)), ...free.slice(0, 2)], on: other.on };
  const draining = to(COLUMNS).filter((n) => !before.on.includes(n) && dice.chance(0.15));
  return { columns, before, after: dice.chance(0.7) ? near : other, draining };
}

const floorOf = ({ before, draining }: Case): Floor =>
  ({
    cords: before.cords.map(({ from, to: end }) => ({ id: from, to: end, stock: 'mic' })),
    settings: Object.fromEntries(before.on.map((n) => [`preamp/phantom/${String(n)}`, true])),
    precautions: draining.map((n) => ({ id: `drain/preamp/phantom/${String(n)}` })),
  }) as unknown as Floor;

function listOf(one: Case): readonly Step[] {
  const studio = rigOf(one.columns, one.after);
  const { session, scene } = firstScene(studio);
  return repatch(studio.rig, session, floorOf(one), scene);
}

function shocksIn(one: Case, steps: readonly Step[]): readonly string[] {
  const simulator = new PowerSimulator(
    { columns: one.columns },
    one.before.cords,
    one.before.on,
    one.draining,
  );
  for (const step of steps) simulator.do(step);
  return simulator.shocks;
}

describe('no plug is pulled from or put into a line that has, or within the wait had, 48 V', () => {
  const cases = seedsFrom1(200, 5000).map((seed) => ({ seed, one: randomCase(seed) }));

  it('along the whole list, followed by a simulator of copper alone', () => {
    const hurt = cases.flatMap(({ seed, one }) => {
      const shocks = shocksIn(one, listOf(one));
      return shocks.length === 0 ? [] : [`${String(seed)}: ${shocks.join(', ')}`];
    });
    expect(hurt).toEqual([]);
  });

  it('when the list is asked for anew after every tick', () => {
    for (const { seed, one } of cases.slice(0, 40)) {
      let studio: Studio = { ...rigOf(one.columns, one.after), floor: floorOf(one) };
      const target = firstScene(studio);
      const done: Step[] = [];
      for (let [step] = stepsTo(studio, target); step !== undefined; [step] = stepsTo(studio, target)) {
        const result = applyNewChange(studio, tickEdits(studio, PLACE, step, NOW));
        if (!result.ok) throw new Error(JSON.stringify(result.refusal));
        studio = result.value;
        done.push(step);
      }
      expect([seed, shocksIn(one, done)]).toEqual([seed, []]);
    }
  });

  it('and what is not touched keeps its 48 V', () => {
    // A list that switched everything off would be safe as well, and useless.
    const spared = cases.filter(({ one }) => {
      const steps = listOf(one);
      const off = steps.flatMap((step) =>
        step.kind === 'power-off' ? step.turns.map(({ key }) => key) : [],
      );
      return steps.some(isCordStep) && off.length < one.before.on.length;
    });
    expect(spared.length).toBeGreaterThan(cases.length / 5);
  });

  it('the simulator tells a plug in a line that is live, and one in a line that nobody waited for', () => {
    const one = {
      columns: ['full' as const],
      before: { cords: [], on: [1] },
      after: { cords: [], on: [1] },
      draining: [],
    };
    const plug: Step = {
      kind: 'plug',
      becomes: { from: 'mic-1/out/1', to: 'panel/jack-1/1', stock: 'mic' } as never,
      isShort: false,
    };
    const key = 'preamp/phantom/1' as SettingKey;
    const off: Step = {
      kind: 'power-off',
      device: 'preamp' as never,
      turns: [{ key, was: true, value: null }],
    };
    expect(shocksIn(one, [plug])).toContain('plugged at panel/jack-1/1');
    expect(shocksIn(one, [off, plug])).toContain('plugged at panel/jack-1/1');
    expect(shocksIn(one, [off, { kind: 'drain', keys: [key] }, plug])).toEqual([]);
  });
});

describe('a line that a pull brings to life', () => {
  it('is switched off and waited for, although it looked dead', () => {
    // The plug in the upper jack opens the normal; when it is gone, 48 V is on the panel's line.
    const before = { cords: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }], on: [1] };
    const after = { cords: [{ from: 'mic-1/out/1', to: 'panel/jack-1/1' }], on: [1] };
    const one: Case = { columns: to(COLUMNS).map(() => 'full'), before, after, draining: [] };
    expect(listOf(one).map(({ kind }) => kind)).toEqual(['power-off', 'drain', 'pull', 'plug', 'set']);
    expect(shocksIn(one, listOf(one))).toEqual([]);
  });
});
