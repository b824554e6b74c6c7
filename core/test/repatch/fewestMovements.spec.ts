import type { AdaptorId, LaneId, RoomId, StockId } from '@ft/core/rig/ids';
import type { CordStock } from '@ft/core/rig/rigSchema';
import { pairing } from '@ft/core/repatch/pairing';
import type { Walk } from '@ft/core/repatch/sequence';
import { sequence } from '@ft/core/repatch/sequence';
import type { CordStep } from '@ft/core/repatch/step';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import type { Plugged, Variety, World } from './fewestSteps';
import { fewestSteps } from './fewestSteps';

/** Three lengths of one kind of cord, each of which does the work of a shorter one, and one with other plugs. */
const KINDS = ['short', 'middle', 'long', 'other'] as const;
const VARIETIES: readonly Variety[] = [
  { kind: 0 },
  { kind: 1 },
  { kind: 2 },
  { kind: 3 },
  { kind: 0, toAdaptor: 'adaptor' },
  { kind: 1, toAdaptor: 'adaptor' },
  { kind: 2, toAdaptor: 'adaptor' },
];
const hasAdaptor = ({ variety }: Plugged): boolean => VARIETIES[variety]!.toAdaptor !== undefined;
const canBe = (kind: number, wanted: number): boolean =>
  kind === wanted || (wanted < 3 && kind < 3 && kind > wanted);

interface Case {
  readonly world: World;
  readonly floor: readonly Plugged[];
  readonly wanted: readonly Plugged[];
}

function randomPatch(dice: Dice, froms: number, tos: number): Plugged[] {
  const jacks = (count: number): number[] => Array.from({ length: count }, (_, i) => i);
  const [a, b] = [jacks(froms), jacks(tos)];
  const take = (from: number[]): number => from.splice(dice.below(from.length), 1)[0]!;
  return Array.from({ length: dice.below(froms + 1) }, () => ({
    ...{ from: take(a), to: take(b) },
    variety: dice.below(VARIETIES.length),
  }));
}

/** A patch and another on one hook, which holds what each of them needs and little more. */
function randomCase(seed: number, hears: boolean): Case {
  const dice = seeded(seed);
  const [froms, tos] = [3, seed % 4 === 0 ? 4 : 3];
  const [floor, wanted] = [randomPatch(dice, froms, tos), randomPatch(dice, froms, tos)];
  const most = (count: (cords: readonly Plugged[]) => number): number =>
    Math.max(count(floor), count(wanted));
  const heard = hears ? new Set([dice.below(tos)]) : undefined;
  return {
    world: {
      ...{ froms, tos, varieties: VARIETIES, canBe },
      cords: KINDS.map(
        (_, kind) =>
          most((cords) => cords.filter(({ variety }) => VARIETIES[variety]!.kind === kind).length) +
          (dice.chance(0.3) ? 1 : 0),
      ),
      adaptors: { adaptor: most((cords) => cords.filter(hasAdaptor).length) },
      ...(heard && { heard }),
    },
    floor,
    wanted,
  };
}

const fromJack = (n: number): LaneId => `out-${String(n)}` as LaneId;
const toJack = (n: number): LaneId => `in-${String(n)}` as LaneId;
const adaptorOf = ({ toAdaptor }: Variety): { toAdaptor?: AdaptorId } =>
  toAdaptor === undefined ? {} : { toAdaptor: toAdaptor as AdaptorId };

function stepsOf({ world, floor, wanted }: Case): readonly CordStep[] {
  const stocks = KINDS.map((id, kind): CordStock => ({
    ...{ id: id as StockId, name: id, colour: '', count: world.cords[kind]! },
    ...{ connectors: id === 'other' ? ['xlr', 'xlr'] : ['tt', 'tt'], lengthM: 1 + kind },
  }));
  const adaptor = {
    id: 'adaptor',
    name: 'Adaptor',
    connectors: ['tt', 'xlr'],
    count: world.adaptors['adaptor']!,
  };
  const walk: Walk = {
    rooms: ['main', 'booth'] as RoomId[],
    spotOf: (jack) => ({
      room: (/[02]$/.test(jack) ? 'booth' : 'main') as RoomId,
      place: Number(jack.at(-1)),
    }),
    isHeard: (jack) => jack.startsWith('in-') && (world.heard?.has(Number(jack.slice(3))) ?? false),
  };
  const stockOf = ({ variety }: Plugged): StockId => KINDS[VARIETIES[variety]!.kind] as unknown as StockId;
  const onFloor = floor.map((cord) => ({
    ...{ id: fromJack(cord.from), to: toJack(cord.to), stock: stockOf(cord) },
    ...adaptorOf(VARIETIES[cord.variety]!),
  }));
  const needed = wanted.map((cord) => ({
    ...{ from: fromJack(cord.from), to: toJack(cord.to), stock: stockOf(cord) },
    ...adaptorOf(VARIETIES[cord.variety]!),
  }));
  const hook = [...stocks, adaptor as never];
  return sequence(pairing(onFloor, needed, stocks, walk.isHeard), onFloor, hook, walk);
}

/** The patch after steps, each of which must be possible when its turn comes. */
function after({ world, floor }: Case, steps: readonly CordStep[]): readonly Plugged[] {
  let cords = [...floor];
  const number = (jack: string): number => Number(jack.slice(jack.indexOf('-') + 1));
  for (const step of steps) {
    if (step.kind !== 'plug') {
      expect(cords.some(({ from, to }) => from === number(step.cord.id) && to === number(step.cord.to))).toBe(
        true,
      );
      cords = cords.filter(({ from }) => from !== number(step.cord.id));
    }
    if (step.kind === 'pull') continue;
    const { from, to, stock, toAdaptor } = step.becomes;
    expect(cords.some((cord) => cord.from === number(from) || cord.to === number(to))).toBe(false);
    const kind = KINDS.indexOf(stock as never);
    const variety = VARIETIES.findIndex((each) => each.kind === kind && each.toAdaptor === toAdaptor);
    cords.push({ from: number(from), to: number(to), variety });
    expect(cords.filter((cord) => VARIETIES[cord.variety]!.kind === kind).length).toBeLessThanOrEqual(
      world.cords[kind]!,
    );
    expect(cords.filter(hasAdaptor).length).toBeLessThanOrEqual(world.adaptors['adaptor']!);
  }
  return cords;
}

const isHeardStep = ({ world }: Case, step: CordStep): boolean =>
  step.kind !== 'pull' && (world.heard?.has(Number(step.becomes.to.slice(3))) ?? false);

describe.each([false, true])('from one patch to another, with something heard: %s', (hears) => {
  const cases = seedsFrom1(300, 10_000).map((seed) => ({ seed, one: randomCase(seed, hears) }));

  it('takes as few movements as an exhaustive search does, with stand-ins, rings and adaptors', () => {
    const differ = cases.flatMap(({ seed, one }) => {
      const [ours, least] = [stepsOf(one).length, fewestSteps(one.world, one.floor, one.wanted)];
      return ours === least ? [] : [{ seed, ours, least }];
    });
    expect(differ).toEqual([]);
  });

  it('can be done step by step, and ends at what was wanted', () => {
    for (const { seed, one } of cases) {
      const steps = stepsOf(one);
      expect(steps.some((step) => step.kind === 'plug' && step.isShort)).toBe(false);
      const jacks = (cords: readonly Plugged[]): string[] =>
        cords.map(({ from, to }) => `${from} ${to}`).sort();
      expect([seed, jacks(after(one, steps))]).toEqual([seed, jacks(one.wanted)]);
    }
  });

  it('puts in what is heard when all else is done', () => {
    for (const { seed, one } of cases) {
      const heard = stepsOf(one).map((step) => isHeardStep(one, step));
      const first = heard.indexOf(true);
      const late = first < 0 ? [] : stepsOf(one).slice(first);
      const early = late.filter((step) => step.kind !== 'pull' && !isHeardStep(one, step));
      expect([seed, early]).toEqual([seed, []]);
    }
  });
});
