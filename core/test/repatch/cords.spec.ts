import type { LaneId, RoomId, StockId } from '@ft/core/rig/ids';
import type { CordStock } from '@ft/core/rig/rigSchema';
import { pairing } from '@ft/core/repatch/pairing';
import type { Walk } from '@ft/core/repatch/sequence';
import { sequence } from '@ft/core/repatch/sequence';
import type { CordStep, WantedCord } from '@ft/core/repatch/step';
import type { FloorCord } from '@ft/core/session/floorSchema';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';

/** A cord by its two jacks. */
type Ends = readonly [string, string];

const stock = (id: string, count: number, lengthM = 0.6): CordStock => ({
  id: id as StockId,
  name: id,
  connectors: ['tt', 'tt'],
  lengthM,
  colour: '',
  count,
});
const floorCord = ([from, to]: Ends, kind = 'tt'): FloorCord => ({
  id: from as LaneId,
  to: to as LaneId,
  stock: kind as StockId,
});
const wantedCord = ([from, to]: Ends, kind = 'tt'): WantedCord => ({
  from: from as LaneId,
  to: to as LaneId,
  stock: kind as StockId,
});

/** Jacks stand in two rooms by their last digit: even ones in the booth. */
const WALK: Walk = {
  rooms: ['main', 'booth'] as RoomId[],
  spotOf: (jack) => ({
    room: (Number(jack.slice(-1)) % 2 === 0 ? 'booth' : 'main') as RoomId,
    place: Number(jack.slice(-1)),
  }),
  isHeard: (jack) => jack === 'in-9',
};

function stepsOf(
  floor: readonly FloorCord[],
  wanted: readonly WantedCord[],
  stocks: readonly CordStock[],
): readonly CordStep[] {
  return sequence(pairing(floor, wanted, stocks, WALK.isHeard), floor, stocks, WALK);
}

/** Does the steps one after another; throws where a jack is held or the hook is empty. */
function done(
  floor: readonly FloorCord[],
  steps: readonly CordStep[],
  stocks: readonly CordStock[],
): readonly FloorCord[] {
  let cords = [...floor];
  for (const step of steps) {
    if (step.kind !== 'plug') {
      expect(cords).toContainEqual(step.cord);
      cords = cords.filter(({ id }) => id !== step.cord.id);
    }
    if (step.kind === 'pull') continue;
    const { from, to } = step.becomes;
    const kind = step.kind === 'move' ? step.cord.stock : step.becomes.stock;
    expect(cords.flatMap(({ id, to: end }) => [id, end])).not.toEqual(expect.arrayContaining([from]));
    expect(cords.flatMap(({ id, to: end }) => [id, end])).not.toEqual(expect.arrayContaining([to]));
    cords.push({ id: from, to, stock: kind });
    const used = cords.filter((cord) => cord.stock === kind).length;
    expect(used).toBeLessThanOrEqual(stocks.find(({ id }) => id === kind)!.count);
  }
  return cords;
}

const ends = (cords: readonly FloorCord[]): string[] => cords.map(({ id, to }) => `${id}>${to}`).sort();

function randomPatch(dice: Dice, froms: readonly string[], tos: readonly string[], most: number): Ends[] {
  const [a, b] = [[...froms], [...tos]];
  const take = (from: string[]): string => from.splice(dice.below(from.length), 1)[0]!;
  return Array.from({ length: dice.below(most + 1) }, (): Ends => [take(a), take(b)]);
}

describe('cords from one patch to another', () => {
  const ample = [stock('tt', 20)];
  const patch = (...pairs: string[]): Ends[] => pairs.map((pair) => pair.split('>') as unknown as Ends);
  const kinds = (floor: Ends[], wanted: Ends[]): string[] =>
    stepsOf(
      floor.map((each) => floorCord(each)),
      wanted.map((each) => wantedCord(each)),
      ample,
    ).map(({ kind }) => kind);

  it('leaves what is there, and moves one end where the other stays', () => {
    expect(kinds(patch('out-1>in-1', 'out-2>in-2'), patch('out-1>in-1', 'out-2>in-4'))).toEqual(['move']);
    expect(kinds(patch('out-1>in-1'), patch('out-3>in-1'))).toEqual(['move']);
    expect(kinds(patch('out-1>in-1'), patch('out-2>in-2'))).toEqual(['pull', 'plug']);
  });

  it('moves a chain of ends in the order in which their jacks come free', () => {
    const steps = stepsOf(
      patch('out-1>in-1', 'out-3>in-3').map((each) => floorCord(each)),
      patch('out-1>in-3', 'out-3>in-5').map((each) => wantedCord(each)),
      ample,
    );
    expect(steps.map((step) => (step.kind === 'move' ? step.becomes.to : step.kind))).toEqual([
      'in-5',
      'in-3',
    ]);
  });

  it('needs one movement more where two ends change places: each waits for the other', () => {
    expect(kinds(patch('out-1>in-1', 'out-3>in-3'), patch('out-1>in-3', 'out-3>in-1'))).toHaveLength(3);
  });

  it('can always be done in its order, with cords of several kinds and none to spare', () => {
    const [froms, tos] = [1, 2, 3, 4, 5, 6, 7, 8, 9].reduce<[string[], string[]]>(
      ([a, b], n) => [
        [...a, `out-${String(n)}`],
        [...b, `in-${String(n)}`],
      ],
      [[], []],
    );
    for (let seed = 1; seed <= 300; seed++) {
      const dice = seeded(seed);
      const kind = (): string => dice.pick(['short', 'long', 'other']);
      const floor = randomPatch(dice, froms, tos, 8).map((each) => floorCord(each, kind()));
      const wanted = randomPatch(dice, froms, tos, 8).map((each) => wantedCord(each, kind()));
      const need = (id: string): number =>
        Math.max(...[floor, wanted].map((cords) => cords.filter((cord) => cord.stock === id).length));
      const stocks = [
        stock('short', need('short')),
        stock('long', need('long'), 1.2),
        stock('other', need('other'), 2),
      ];
      const steps = stepsOf(floor, wanted, stocks);
      const after = done(floor, steps, stocks);
      expect(ends(after)).toEqual(wanted.map(({ from, to }) => `${from}>${to}`).sort());
      expect(steps.some((step) => step.kind === 'plug' && step.isShort)).toBe(false);
      const length = (id: StockId): number => stocks.find((each) => each.id === id)!.lengthM;
      for (const cord of after)
        expect(length(cord.stock)).toBeGreaterThanOrEqual(
          length(wanted.find(({ from }) => from === cord.id)!.stock),
        );
    }
  });

  it('goes through one room before it enters the next, and plugs what is heard last', () => {
    const steps = stepsOf(
      patch('out-2>in-2', 'out-1>in-1').map((each) => floorCord(each)),
      patch('out-3>in-3', 'out-4>in-4', 'out-5>in-9').map((each) => wantedCord(each)),
      ample,
    );
    const at = steps.map((step) =>
      step.kind === 'pull' ? step.cord.id : step.kind === 'plug' ? step.becomes.from : '',
    );
    expect(at).toEqual(['out-1', 'out-3', 'out-2', 'out-4', 'out-5']);
  });

  it('puts a longer cord to the work of a shorter one only while nothing wanted needs it', () => {
    const floor = [floorCord(['out-1', 'in-1'], 'long')];
    const shorts = [wantedCord(['out-1', 'in-1'], 'short')];
    expect(stepsOf(floor, shorts, [stock('short', 1), stock('long', 1, 1.2)])).toEqual([]);
    const both = [...shorts, wantedCord(['out-3', 'in-3'], 'long')];
    const steps = stepsOf(floor, both, [stock('short', 1), stock('long', 1, 1.2)]);
    expect(steps.map(({ kind }) => kind)).toEqual(['pull', 'plug', 'plug']);
  });

  it('breaks rings before it plugs what is heard', () => {
    const steps = stepsOf(
      patch('out-1>in-1', 'out-3>in-3').map((each) => floorCord(each)),
      patch('out-1>in-3', 'out-3>in-1', 'out-5>in-9').map((each) => wantedCord(each)),
      ample,
    );
    expect(steps).toHaveLength(4);
    expect(steps.at(-1)).toMatchObject({ kind: 'plug', becomes: { to: 'in-9' } });
  });

  it('does not leave a jack that something else needs for the end, though one movement would do', () => {
    const floor = [floorCord(['out-1', 'in-3'])];
    const wanted = [wantedCord(['out-1', 'in-9']), wantedCord(['out-5', 'in-3'], 'long')];
    const steps = stepsOf(floor, wanted, [stock('tt', 2), stock('long', 1, 2)]);
    expect(steps.map((step) => (step.kind === 'pull' ? 'pull' : step.becomes.to))).toEqual([
      'pull',
      'in-3',
      'in-9',
    ]);
  });

  it('puts a longer cord in where none of the wanted kind is left', () => {
    const stocks = [stock('short', 0), stock('long', 1, 1.2)];
    expect(stepsOf([], [wantedCord(['out-1', 'in-1'], 'short')], stocks)).toEqual([
      { kind: 'plug', becomes: wantedCord(['out-1', 'in-1'], 'long'), isShort: false },
    ]);
  });

  it('sees chains of stand-ins: long for middle, which so may stay in for short', () => {
    const stocks = [stock('short', 1), stock('middle', 1, 1), stock('long', 1, 1.2)];
    const floor = [floorCord(['out-1', 'in-1'], 'middle'), floorCord(['out-2', 'in-2'], 'long')];
    const wanted = [wantedCord(['out-1', 'in-1'], 'short'), wantedCord(['out-2', 'in-2'], 'middle')];
    expect(stepsOf(floor, wanted, stocks)).toEqual([]);
  });

  it('says so where the hook has no such cord left', () => {
    const steps = stepsOf([], [wantedCord(['out-1', 'in-1'])], [stock('tt', 0)]);
    expect(steps).toEqual([{ kind: 'plug', becomes: wantedCord(['out-1', 'in-1']), isShort: true }]);
  });
});
