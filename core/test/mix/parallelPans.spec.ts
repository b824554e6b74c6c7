import { parallelBuses } from '@ft/core/mix/parallelPans';
import { repairsFor } from '@ft/core/actions/repairs/repairs';
import { deskOf } from '@ft/core/consoles/desk';
import { panMismatch } from '@ft/core/checks/rules/panMismatch';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, PLACE, studioOf } from '../fixtures/studioOf';

/** A split console whose stereo cue goes over a compressor and back on two line inputs, or to the compressor alone. */
const desk = (settings: Record<string, number | boolean>, comesBack = true): Parts => ({
  devices: [
    {
      id: 'desk',
      name: 'Desk',
      type: 'splitConsole',
      params: { channels: 4, groups: 0, auxes: 0, stereoCue: true },
    },
    { id: 'glue', name: 'Bus compressor', type: 'dynamics', params: { channels: 2 } },
  ],
  wires: [
    ['desk/cue-out-left/1', 'glue/in-1/1'],
    ['desk/cue-out-right/1', 'glue/in-2/1'],
    ...(comesBack
      ? ([
          ['glue/out-1/1', 'desk/line-3/1'],
          ['glue/out-2/1', 'desk/line-4/1'],
        ] as const)
      : []),
  ],
  settings: Object.fromEntries(Object.entries(settings).map(([knob, value]) => [`desk/${knob}`, value])),
});
const SENT = {
  'cue/1': 2,
  'toMix/1': true,
  'pan/1': -40,
  'cue/2': 2,
  'toMix/2': true,
  'pan/2': 30,
  'cuePan/2': 29,
} as const;

describe('a console whose cue is a parallel bus', () => {
  it('names the channels that stand elsewhere in it, and pans them as in the mix', () => {
    const studio = studioOf(desk(SENT));
    const context = contextOf(studio);
    expect(parallelBuses(context)[0]!.pairs).toMatchObject([{ lane: 'desk/channel/1', mix: -40, bus: 0 }]);
    const [finding] = panMismatch.run(context);
    const [repair] = repairsFor(studio, PLACE, context, finding!);
    expect(repair!.edits).toMatchObject([{ key: 'desk/cuePan/1', value: -40 }]);
  });

  it('is none where it does not come back, or where a strip is not in the mix', () => {
    expect(parallelBuses(contextOf(studioOf(desk(SENT, false))))).toEqual([]);
    expect(parallelBuses(contextOf(studioOf(desk({ ...SENT, 'toMix/1': false }))))[0]!.pairs).toEqual([]);
  });

  it('compares the monitor path with its own pan', () => {
    const [bus] = parallelBuses(contextOf(studioOf(desk({ 'cue/1': 4, 'monitorPan/1': 50 }))));
    expect(bus!.pairs).toMatchObject([{ lane: 'desk/monitor/1', mix: 50, bus: 0 }]);
  });
});

describe('a pair of auxes of a digital console', () => {
  const pair = (settings: Record<string, number | boolean>): Parts => ({
    devices: [
      {
        ...{ id: 'desk', name: 'Desk', type: 'digitalConsole' },
        params: { channels: 8, auxes: 4, lineOutputs: 4, micInputs: 4, cards: 0 },
      },
      { id: 'glue', name: 'Bus compressor', type: 'dynamics', params: { channels: 2 } },
    ],
    wires: [
      ['desk/out-1/1', 'glue/in-1/1'],
      ['desk/out-2/1', 'glue/in-2/1'],
      ['glue/out-1/1', 'desk/mic-3/1'],
      ['glue/out-2/1', 'desk/mic-4/1'],
    ],
    settings: Object.fromEntries(Object.entries(settings).map(([knob, value]) => [`desk/${knob}`, value])),
  });
  const ROUTED = { 'auxStereo/1': true, 'aux1/1': 2, 'toMix/1': true, 'pan/1': 60 };

  it('is one as well, where it goes out over a unit and comes back', () => {
    const desk = deskOf(contextOf(studioOf(pair({}))), 'desk' as never)!;
    const cell = desk.rows.find(({ id }) => id === 'out-1')!.cells['source']!.cell;
    const sources = cell.kind === 'patch' ? cell.sources : [];
    const outs = { 'lineOutSource/1': sources.indexOf('aux 1'), 'lineOutSource/2': sources.indexOf('aux 2') };
    const [bus] = parallelBuses(contextOf(studioOf(pair({ ...ROUTED, ...outs }))));
    expect(bus!.pairs).toMatchObject([{ key: 'desk/aux1Pan/1', mix: 60, bus: 0 }]);
    const mono = pair({ ...ROUTED, ...outs, 'auxStereo/1': false });
    expect(parallelBuses(contextOf(studioOf(mono)))).toEqual([]);
    expect(parallelBuses(contextOf(studioOf(pair(ROUTED))))).toEqual([]);
  });
});
