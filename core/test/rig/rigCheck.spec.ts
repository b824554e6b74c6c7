import { lanesOf } from '@ft/core/rig/faces';
import { AES59_ANALOGUE, DB25_UNUSED } from '@ft/core/rig/aes59';
import type { LaneId } from '@ft/core/rig/ids';
import { laneLabel } from '@ft/core/rig/laneLabel';
import { rigCheck } from '@ft/core/rig/wiring/rigCheck';
import type { RigNoteView } from '@ft/core/words/rigNoteWording';
import { rangesText } from '@ft/core/text/rangesText';
import { rigNoteViews } from '@ft/core/words/rigNoteWording';
import type { Parts } from '../fixtures/studioOf';
import { studioOf } from '../fixtures/studioOf';

function notesOf(parts: Parts): readonly RigNoteView[] {
  const { rig } = studioOf(parts);
  const faces = new Map(rig.devices.flatMap((device) => [...lanesOf(device)]));
  return rigNoteViews(rigCheck(rig), (id: LaneId) => laneLabel(faces.get(id)!, id));
}
const texts = (parts: Parts, code: RigNoteView['code']): readonly string[] =>
  notesOf(parts)
    .filter((note) => note.code === code)
    .map(({ text }) => text);

const DEVICES: Parts['devices'] = [
  { id: 'pre', name: 'Preamp', type: 'micPreamp', params: { channels: 4 } },
  {
    id: 'bay',
    name: 'Bay A',
    type: 'patchbay',
    params: { columns: 4, rearConnector: 'trs', labels: { 'upper-1': 'Pre', 'lower-2': 'Pre' } },
  },
];

describe('the rig check', () => {
  it('lists connectors with no wire, row by row', () => {
    const found = texts({ devices: DEVICES, wires: [['pre/out-1/1', 'bay/upper-rear-1/1']] }, 'unwired');
    expect(found).toContain('Preamp out 2–4 have no wire.');
    expect(found).toContain('Preamp mic in: nothing is wired to any of its 4.');
    expect(found).toContain('Bay A upper rear 2–4 have no wire.');
    const pair: Parts['devices'] = [{ id: 'pair', name: 'Pair', type: 'dynamics', params: { channels: 2 } }];
    const wires: Parts['wires'] = [['pair/out-1/1', 'pair/in-2/1']];
    expect(texts({ devices: pair, wires }, 'unwired')).toEqual([
      'Pair in A has no wire.',
      'Pair out B has no wire.',
    ]);
  });

  it('finds two outputs on one input', () => {
    const wires: Parts['wires'] = [
      ['pre/out-1/1', 'bay/upper-rear-1/1'],
      ['pre/out-2/1', 'bay/upper-rear-1/1'],
    ];
    expect(texts({ devices: DEVICES, wires }, 'two-sources')).toEqual([
      'Bay A 1 upper rear is fed by Preamp out 1 and Preamp out 2: two outputs drive one input. Take one wire out, or put a mixer between.',
    ]);
  });

  it('finds sound joined to clock or numbers', () => {
    const devices: Parts['devices'] = [
      { id: 'pre', name: 'Preamp', type: 'micPreamp', params: { channels: 1 } },
      { id: 'box', name: 'Interface', type: 'audioInterface', params: {} },
    ];
    expect(texts({ devices, wires: [['pre/out-1/1', 'box/clock-in/1']] }, 'kinds-differ')).toEqual([
      'The wire Preamp out 1 → Interface clock in joins line to clock, which cannot work. Take it out.',
    ]);
  });

  it('names leads that want an adaptor, and leaves looms alone', () => {
    const wires: Parts['wires'] = [['pre/out-1/1', 'bay/upper-rear-1/1']];
    expect(texts({ devices: DEVICES, wires }, 'adaptor')).toEqual([
      'XLR to TRS wants an adaptor or a lead made for it: Preamp out 1 → Bay A 1 upper rear.',
    ]);
    const soldered = DEVICES.map((device) =>
      device.id === 'bay' ? { ...device, params: { columns: 4 } } : device,
    );
    expect(texts({ devices: soldered, wires }, 'adaptor')).toEqual([]);
  });

  it('finds a label that stands at two jacks of a bay', () => {
    expect(texts({ devices: DEVICES }, 'label-twice')).toEqual([
      'Bay A: “Pre” stands at lower 2 and upper 1. Give each jack a label of its own.',
    ]);
  });

  it('puts what harms first', () => {
    const wires: Parts['wires'] = [
      ['pre/out-1/1', 'bay/upper-rear-1/1'],
      ['pre/out-2/1', 'bay/upper-rear-1/1'],
    ];
    const order = notesOf({ devices: DEVICES, wires }).map(({ severity }) => severity);
    expect(order).toEqual([...order].sort((a, b) => 'ewn'.indexOf(a[0]!) - 'ewn'.indexOf(b[0]!)));
  });

  it('writes numbers as ranges', () => {
    expect(rangesText([1, 2, 3, 7, 9, 10])).toBe('1–3, 7, 9–10');
  });
});

describe('the DB-25 pin-out (AES59, from memory)', () => {
  it.each([
    [1, '24/12/25'],
    [2, '10/23/11'],
    [3, '21/9/22'],
    [4, '7/20/8'],
    [5, '18/6/19'],
    [6, '4/17/5'],
    [7, '15/3/16'],
    [8, '1/14/2'],
  ])('channel %d: hot, cold and ground at %s', (channel, contacts) => {
    const at = AES59_ANALOGUE.find((each) => each.channel === channel)!;
    expect(`${at.hot}/${at.cold}/${at.ground}`).toBe(contacts);
  });

  it('uses every contact once, and leaves one free', () => {
    const used = AES59_ANALOGUE.flatMap(({ hot, cold, ground }) => [hot, cold, ground]);
    expect([...used, DB25_UNUSED].sort((a, b) => a - b)).toEqual(Array.from({ length: 25 }, (_, i) => i + 1));
  });
});
