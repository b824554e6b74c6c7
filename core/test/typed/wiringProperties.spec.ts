import * as fc from 'fast-check';
import { applyChange } from '@ft/core/edits/change';
import { numberRange } from '@ft/core/text/numberRange';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { laneRows } from '@ft/core/rig/wiring/laneRows';
import { planLoom } from '@ft/core/typed/wiring/loom';
import { nearestNames } from '@ft/core/text/nearestName';
import { rangesText } from '@ft/core/text/rangesText';
import { planShift, planSwap } from '@ft/core/typed/wiring/rewire';
import type { WirePair } from '@ft/core/typed/wiring/wirePlan';
import { planWires } from '@ft/core/typed/wiring/wirePlan';
import { readLabelsCsv, labelsCsv } from '@ft/core/formats/csv/labelsCsv';
import { readWiresCsv, wiresCsv } from '@ft/core/formats/csv/wiresCsv';
import { CATALOGUE } from '@ft/core/rig/catalogue/catalogue';
import { studioOf } from '../fixtures/studioOf';

const COLUMNS = 24;
const bare = studioOf({
  devices: [
    { id: 'a', name: 'Bay A', type: 'patchbay', params: { columns: COLUMNS } },
    { id: 'b', name: 'Bay B', type: 'patchbay', params: { columns: COLUMNS } },
  ],
});

const OUT = (n: number): string => `a/lower-rear-${String(n)}/1`;
const IN = (n: number): string => `b/upper-rear-${String(n)}/1`;
const ends = ({ hardwires }: Rig): readonly string[] =>
  hardwires.map(({ from, to }) => `${from} ${to}`).sort();

function changed(studio: Studio, edits: Parameters<typeof applyChange>[1]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

/** Wires between the two bays: to each input at most one. */
const wiring = fc
  .uniqueArray(
    fc.record({ from: fc.integer({ min: 1, max: COLUMNS }), to: fc.integer({ min: 1, max: COLUMNS }) }),
    {
      selector: ({ to }) => to,
      maxLength: COLUMNS,
    },
  )
  .map((pairs) => pairs.map(({ from, to }) => ({ from: OUT(from), to: IN(to) }) as WirePair));

const wired = (pairs: readonly WirePair[]): Studio =>
  changed(bare, planWires(bare.rig.hardwires, pairs).edits);

describe('wiring in bulk, over random rigs', () => {
  it('has each wire that is wanted, and nothing twice', () => {
    fc.assert(
      fc.property(wiring, (pairs) => {
        expect(ends(wired(pairs).rig)).toEqual(pairs.map(({ from, to }) => `${from} ${to}`).sort());
      }),
    );
  });

  it('wanted again changes nothing', () => {
    fc.assert(
      fc.property(wiring, (pairs) => {
        const studio = wired(pairs);
        expect(planWires(studio.rig.hardwires, pairs).edits).toEqual([]);
      }),
    );
  });

  it('wanted otherwise ends with one wire at each input', () => {
    fc.assert(
      fc.property(wiring, wiring, (first, second) => {
        const studio = wired(first);
        const { rig } = changed(studio, planWires(studio.rig.hardwires, second).edits);
        const inputs = rig.hardwires.map(({ to }) => to);
        expect(new Set(inputs).size).toBe(inputs.length);
        for (const { from, to } of second)
          expect(rig.hardwires.find((wire) => wire.to === to)!.from).toBe(from);
      }),
    );
  });

  it('is the same after a table', () => {
    fc.assert(
      fc.property(wiring, (pairs) => {
        const { rig } = wired(pairs);
        if (pairs.length === 0) return;
        const read = readWiresCsv(wiresCsv(rig), bare.rig);
        expect(read.ok && ends(changed(bare, read.edits).rig)).toEqual(ends(rig));
      }),
    );
  });

  it('shifted away and back is what it was', () => {
    fc.assert(
      fc.property(wiring, fc.integer({ min: -8, max: 8 }), (pairs, by) => {
        const studio = wired(pairs);
        const away = planShift(studio.rig, 'Bay B upper', by);
        if (!away.ok) return;
        const moved = changed(studio, away.plan.edits);
        const back = planShift(moved.rig, 'Bay B upper', -by);
        expect(back.ok && ends(changed(moved, back.plan.edits).rig)).toEqual(ends(studio.rig));
      }),
    );
  });

  it('swapped twice is what it was', () => {
    fc.assert(
      fc.property(wiring, fc.integer({ min: 1, max: 12 }), (pairs, n) => {
        const studio = wired(pairs);
        const names = [`Bay B upper ${String(n)}`, `Bay B upper ${String(n + 12)}`] as const;
        const once = planSwap(studio.rig, ...names);
        if (!once.ok) return;
        const swapped = changed(studio, once.plan.edits);
        const twice = planSwap(swapped.rig, ...names);
        expect(twice.ok && ends(changed(swapped, twice.plan.edits).rig)).toEqual(ends(studio.rig));
      }),
    );
  });

  it('a loom joins the n-th to the n-th, whichever way its range goes', () => {
    const range = fc.record({
      first: fc.integer({ min: 1, max: 24 }),
      last: fc.integer({ min: 1, max: 24 }),
    });
    fc.assert(
      fc.property(range, ({ first, last }) => {
        const read = planLoom(bare.rig, {
          from: `Bay A lower ${String(first)}-${String(last)}`,
          to: `Bay B upper ${String(Math.min(first, last))}-${String(Math.max(first, last))}`,
          pairing: 'one-to-one',
          down: false,
        });
        const count = Math.abs(last - first) + 1;
        const step = last < first ? -1 : 1;
        expect(read.ok && read.plan.wires.map(({ from, to }) => `${from} ${to}`)).toEqual(
          Array.from(
            { length: count },
            (_, i) => `${OUT(first + i * step)} ${IN(Math.min(first, last) + i)}`,
          ),
        );
      }),
    );
  });
});

describe('numbers as ranges', () => {
  it('are read as they are written', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 300 }), { minLength: 1 }), (numbers) => {
        const sorted = [...numbers].sort((a, b) => a - b);
        expect(numberRange(rangesText(sorted))).toEqual({ ok: true, numbers: sorted });
      }),
    );
  });
});

describe('labels of a bay', () => {
  it('are the same after a table, whatever they say', () => {
    const text = fc
      .string({ minLength: 1, maxLength: 24 })
      .filter(
        (label) =>
          label.trim() === label && label !== '' && !/^'[=+\-@\t\r]/.test(label) && !/[\r\n\t]/.test(label),
      );
    const labels = fc.uniqueArray(text, { maxLength: 12 });
    fc.assert(
      fc.property(labels, (words) => {
        if (words.length === 0) return;
        const params = {
          columns: COLUMNS,
          labels: Object.fromEntries(words.map((word, i) => [`upper-${String(i + 1)}`, word])),
        };
        const studio = studioOf({ devices: [{ id: 'a', name: 'Bay A', type: 'patchbay', params }] });
        const blank = studioOf({
          devices: [{ id: 'a', name: 'Bay A', type: 'patchbay', params: { columns: COLUMNS } }],
        });
        const read = readLabelsCsv(labelsCsv(studio.rig), blank.rig);
        expect(read.ok && changed(blank, read.edits).rig.devices[0]!.params['labels']).toEqual(
          studio.rig.devices[0]!.params['labels'],
        );
      }),
    );
  });
});

describe('names', () => {
  it('that are nearest to themselves', () => {
    const titles = CATALOGUE.map(({ title }) => title);
    for (const title of titles) expect(nearestNames(title, titles)[0]).toBe(title);
  });

  it('with two letters swapped are found again', () => {
    const titles = CATALOGUE.map(({ title }) => title);
    for (const title of titles) {
      const slip = `${title[0]!}${title[2]!}${title[1]!}${title.slice(3)}`;
      expect(nearestNames(slip, titles)).toContain(title);
    }
  });
});

describe('rows of connectors', () => {
  it.each([
    ['patchbay', { columns: 3 }, ['upper rear×3 in', 'upper×3 out', 'lower×3 in', 'lower rear×3 out']],
    [
      'converter',
      { adcs: 10, dacs: 2 },
      ['line in×10 in', 'line out×2 out', 'to host×10 out', 'from host×2 in', 'clock in×1 in'],
    ],
    ['dynamics', { channels: 2, keyInput: true }, ['in×2 in', 'out×2 out', 'key in×2 in']],
    ['cueAmp', { outputs: 2 }, ['in left×1 in', 'in right×1 in', 'phones left×2 out', 'phones right×2 out']],
    ['mult', { sets: 2, outputs: 2 }, ['in×2 in', '1 out×2 out', '2 out×2 out']],
    [
      'stagebox',
      { inputs: 4, outputs: 2, link: 'optical' },
      ['mic in×4 in', 'optical out 1×8 out', 'optical in 1×8 in', 'out×2 out'],
    ],
  ])('of a %s are counted by their last number', (type, params, rows) => {
    const [device] = studioOf({ devices: [{ id: 'it', type, params }] }).rig.devices;
    const told = laneRows(device!).map(
      ({ name, lanes, direction }) => `${name}×${String(lanes.length)} ${direction}`,
    );
    expect(told.sort()).toEqual([...rows].sort());
  });

  it('know in which DB-25 a lane sits', () => {
    const [device] = studioOf({ devices: [{ id: 'it', type: 'converter', params: { adcs: 20 } }] }).rig
      .devices;
    const row = laneRows(device!).find(({ name }) => name === 'line in')!;
    expect([1, 8, 9, 17, 20].map((n) => row.lanes[n - 1]!.connectorNumber)).toEqual([1, 1, 2, 3, 3]);
  });
});
