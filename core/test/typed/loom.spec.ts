import { saltglassRooms } from '../fixtures/thin/saltglass';
import { applyChange } from '@ft/core/edits/change';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { LoomWish } from '@ft/core/typed/wiring/loom';
import { planLoom } from '@ft/core/typed/wiring/loom';
import { loomProblemSentence } from '@ft/core/words/loomWording';
import { planClear, planShift, planSwap } from '@ft/core/typed/wiring/rewire';
import type { RewireReading } from '@ft/core/typed/wiring/rewire';
import { rewireProblemSentence } from '@ft/core/words/rewireWording';
import { studioOf } from '../fixtures/studioOf';

/** A bay over a converter, four preamps and a summing mixer; nothing is wired. */
const bare = studioOf({
  devices: [
    { id: 'bay', name: 'Bay A', type: 'patchbay', params: { columns: 48, normalling: 'half' } },
    { id: 'converter', name: 'Converter', type: 'converter', params: { adcs: 24, dacs: 24 } },
    { id: 'preamp', name: 'Preamp', type: 'micPreamp', params: { channels: 4 } },
    { id: 'preamp-b', name: 'Preamp B', type: 'micPreamp', params: { channels: 8 } },
    { id: 'pair', name: 'Pair', type: 'dynamics', params: { channels: 2, keyInput: true } },
    { id: 'desk', name: 'Desk', type: 'splitConsole', params: { channels: 8, groups: 8 } },
  ],
});

const wish = (from: string, to: string, more: Partial<LoomWish> = {}): LoomWish => ({
  from,
  to,
  pairing: 'one-to-one',
  down: false,
  ...more,
});

function drawn(studio: Studio, it: LoomWish): Studio {
  const read = planLoom(studio.rig, it);
  if (!read.ok) throw new Error(loomProblemSentence(read.problem));
  const result = applyChange(studio, read.plan.edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

const wiresOf = ({ hardwires }: Rig): readonly string[] =>
  hardwires.map(({ from, to }) => `${from} > ${to}`).sort();

function refusal(it: LoomWish): string {
  const read = planLoom(bare.rig, it);
  return read.ok ? '' : loomProblemSentence(read.problem);
}

describe('a loom', () => {
  it('is drawn at once between two rows', () => {
    const wires = wiresOf(drawn(bare, wish('Bay A 1-24 lower', 'converter in 1-24')).rig);
    expect(wires).toHaveLength(24);
    expect(wires).toContain('bay/lower-rear-9/1 > converter/line-in-2/1');
  });

  it.each([
    ['numbers before or after the words', wish('bay a lower 1-4', 'Converter 1-4 line in'), 4],
    ['steps', wish('Bay A 1-7/2 lower', 'Converter in 1-4'), 4],
    ['backwards', wish('Bay A 4-1 lower', 'Converter in 1-4'), 4],
    ['a DB-25 by its number', wish('Bay A 1-8 lower', 'Converter DB-25 2 in'), 8],
    ['a start that spills upwards', wish('Bay A 1-8 lower', 'Converter in 5'), 8],
    ['a start that spills downwards', wish('Bay A 1-8 lower', 'Converter in 24', { down: true }), 8],
    ['whole rows', wish('Preamp out', 'Bay A 1-4 upper'), 4],
    ['a device whose name begins like another’s', wish('Preamp B out 1-8', 'Bay A 5-12 upper'), 8],
    ['letters', wish('Pair out A-B', 'Bay A 9-10 upper'), 2],
    ['one bus over and over', wish('Desk group out', 'Converter line in 1-24', { pairing: 'repeat' }), 24],
  ])('takes %s', (_name, it, count) => {
    expect(wiresOf(drawn(bare, it).rig)).toHaveLength(count);
  });

  it('goes where it was told to go', () => {
    const ends = (it: LoomWish): readonly string[] => wiresOf(drawn(bare, it).rig);
    expect(ends(wish('Bay A 1-7/2 lower', 'Converter in 1-4'))).toContain(
      'bay/lower-rear-7/1 > converter/line-in-1/4',
    );
    expect(ends(wish('Bay A 4-1 lower', 'Converter in 1-4'))).toContain(
      'bay/lower-rear-4/1 > converter/line-in-1/1',
    );
    expect(ends(wish('Bay A 1-8 lower', 'Converter DB-25 2 in'))).toContain(
      'bay/lower-rear-1/1 > converter/line-in-2/1',
    );
    expect(ends(wish('Bay A 1-8 lower', 'Converter in 24', { down: true }))).toContain(
      'bay/lower-rear-8/1 > converter/line-in-3/1',
    );
  });

  it('wires three recorder inputs for each bus: bus 1 feeds 1, 9 and 17', () => {
    const { rig } = drawn(bare, wish('Desk group out', 'Converter line in 1-24', { pairing: 'repeat' }));
    const fed = rig.hardwires.filter(({ from }) => from === 'desk/group-out-1/1').map(({ to }) => to);
    expect(fed.sort()).toEqual(['converter/line-in-1/1', 'converter/line-in-2/1', 'converter/line-in-3/1']);
  });

  it('says before it is drawn what is new, what is there and what it replaces', () => {
    const once = drawn(bare, wish('Bay A 1-2 lower', 'Converter in 1-2'));
    const again = planLoom(once.rig, wish('Bay A 2-4 lower', 'Converter in 2-4'));
    expect(again.ok && again.plan.wires.map(({ change }) => change)).toEqual(['there', 'new', 'new']);
    const other = planLoom(once.rig, wish('Bay A 5 lower', 'Converter in 1'));
    expect(other.ok && other.plan.wires).toEqual([
      {
        from: 'bay/lower-rear-5/1',
        to: 'converter/line-in-1/1',
        change: 'replaces',
        insteadOf: 'bay/lower-rear-1/1',
        multed: false,
      },
    ]);
  });

  it('marks outputs that feed several inputs', () => {
    const read = planLoom(bare.rig, wish('Desk group out', 'Converter line in 1-16', { pairing: 'repeat' }));
    expect(read.ok && read.plan.wires.map(({ multed }) => multed)).toEqual([
      ...Array.from({ length: 8 }, () => false),
      ...Array.from({ length: 8 }, () => true),
    ]);
  });

  it.each([
    [
      wish('Bay C 1', 'Converter in 1'),
      'No device is called what “Bay C 1” begins with. Did you mean “Bay A”?',
    ],
    [wish('Bay A 1-49 lower', 'Converter in 1'), 'Bay A lower rear has no number 49: it goes from 1 to 48.'],
    [
      wish('Bay A lowest 1', 'Converter in 1'),
      'Bay A has no connectors “lowest 1” in this direction. It has “upper”, “lower rear”.',
    ],
    [
      wish('Bay A 1-4 lower', 'Converter in 1-5'),
      '4 outputs do not go one to one into 5 inputs. Name as many of each, only the first of one side, or let the outputs repeat.',
    ],
    [
      wish('Bay A 1-4 lower', 'Converter in 22'),
      'Converter line in has 3 from there on, but 4 are needed. Start earlier, or name fewer.',
    ],
    [
      wish('Desk group out 1-8', 'Converter line in 1-20', { pairing: 'repeat' }),
      '20 inputs cannot be shared out evenly between 8 outputs. Name a multiple of 8.',
    ],
    [wish('Desk 1', 'Converter in 1'), /^Desk has several such connectors: .*“group out”.* Say which\.$/],
    [
      wish('Bay A 1-8/0 lower', 'Converter in 1'),
      '“1-8/0” is not a range of numbers; write 1-24, or 1-23/2 for odd ones.',
    ],
    [wish('', 'Converter in 1'), 'Type a device, then its connectors and numbers: Bay A lower 1-24.'],
  ])('%j is refused with the remedy', (it, sentence) => {
    if (typeof sentence === 'string') expect(refusal(it)).toBe(sentence);
    else expect(refusal(it)).toMatch(sentence);
  });
});

describe('moving wires that are there', () => {
  const wired = drawn(bare, wish('Bay A 1-4 lower', 'Converter in 1-4'));
  const after = (read: RewireReading): readonly string[] => {
    if (!read.ok) throw new Error(rewireProblemSentence(read.problem));
    const result = applyChange(wired, read.plan.edits);
    if (!result.ok) throw new Error(JSON.stringify(result.refusal));
    return wiresOf(result.value.rig);
  };

  it('clears a row', () => {
    expect(after(planClear(wired.rig, 'Converter line in 2-3'))).toHaveLength(2);
  });

  it('shifts by some numbers, keeping the wires that already are where they should be', () => {
    const shifted = after(planShift(wired.rig, 'Converter line in 1-4', 2));
    expect(shifted).toContain('bay/lower-rear-1/1 > converter/line-in-1/3');
    expect(shifted).toContain('bay/lower-rear-4/1 > converter/line-in-1/6');
    expect(shifted).toHaveLength(4);
  });

  it('shifts there and back to what it was', () => {
    const there = planShift(wired.rig, 'Converter line in', 3);
    const moved = applyChange(wired, there.ok ? there.plan.edits : []);
    const back = moved.ok ? planShift(moved.value.rig, 'Converter line in', -3) : undefined;
    const again = moved.ok && back?.ok === true ? applyChange(moved.value, back.plan.edits) : undefined;
    expect(again?.ok === true && wiresOf(again.value.rig)).toEqual(wiresOf(wired.rig));
  });

  it('lets two lanes change places', () => {
    const swapped = after(planSwap(wired.rig, 'Converter line in 1', 'Converter line in 4'));
    expect(swapped).toContain('bay/lower-rear-1/1 > converter/line-in-1/4');
    expect(swapped).toContain('bay/lower-rear-4/1 > converter/line-in-1/1');
  });

  it.each([
    [
      planShift(wired.rig, 'Converter line in 1-4', -1),
      'Converter line in has no number 0 to move to. Shift by less.',
    ],
    [
      planClear(wired.rig, 'Converter line in 20'),
      'No wire ends there (Converter line in). Name lanes that are wired.',
    ],
    [
      planSwap(wired.rig, 'Converter line in 1-2', 'Converter line in 4'),
      '2 lanes cannot change places with 1. Name as many of each.',
    ],
    [planClear(wired.rig, 'Kettle 1'), 'No device is called what “Kettle 1” begins with.'],
  ])('is refused with the remedy: %#', (read, sentence) => {
    expect(read.ok ? '' : rewireProblemSentence(read.problem)).toBe(sentence);
  });

  it('is taken back as one', () => {
    const demo = saltglassRooms();
    const read = planShift(demo.rig, 'Converter line out 1-8', 8);
    expect(read.ok && read.plan.edits.length).toBeGreaterThan(8);
  });
});

describe('a row of exactly these words', () => {
  const stage = studioOf({
    devices: [
      { id: 'box', name: 'Stagebox', type: 'stagebox', params: { inputs: 8, outputs: 8 } },
      { id: 'amp', name: 'Amplifier', type: 'powerAmp', params: { channels: 2 } },
      { id: 'bay', name: 'Bay', type: 'patchbay', params: { columns: 8 } },
    ],
  });
  const ends = (from: string, to: string): readonly string[] => {
    const read = planLoom(stage.rig, wish(from, to));
    if (!read.ok) throw new Error(loomProblemSentence(read.problem));
    return read.plan.wires.map((wire) => `${wire.from} → ${wire.to}`);
  };

  it('is meant, whatever else has these words in its name', () => {
    expect(ends('Stagebox out 1-2', 'Amplifier in 1-2')).toEqual([
      'box/out-1/1 → amp/in-1/1',
      'box/out-2/1 → amp/in-2/1',
    ]);
    expect(ends('Stagebox madi out 1 1', 'Bay 1 upper')).toEqual(['box/madi-out-1/1 → bay/upper-rear-1/1']);
  });

  it('is still the rear one of two that differ by their face alone', () => {
    expect(ends('Bay 3 lower', 'Amplifier in 1')).toEqual(['bay/lower-rear-3/1 → amp/in-1/1']);
  });
});
