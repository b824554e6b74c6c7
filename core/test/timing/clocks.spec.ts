import { clockPlan } from '@ft/core/timing/clockPlan';
import type { ClockPlan } from '@ft/core/timing/clockPlan';
import { saltglassRooms } from '../fixtures/builtDemo';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, firstScene, studioOf } from '../fixtures/studioOf';

const planOf = (parts: Parts): ClockPlan => contextOf(studioOf(parts)).clocks;
/** "device: source → master at rate" of every device. */
const said = ({ domains }: ClockPlan): readonly string[] =>
  domains.flatMap(({ devices }) =>
    devices.map(
      ({ device, source, master, rateHz }) => `${device}: ${source.kind} → ${master ?? '?'} ${rateHz ?? '?'}`,
    ),
  );

const CONVERTER = { id: 'converter', type: 'converter', params: { adcs: 1, dacs: 1 } };
const DAW = { id: 'daw', type: 'dawHost', params: { inputs: 1, outputs: 1 } };
const BOX = { id: 'box', type: 'stagebox', params: { inputs: 8, outputs: 8 } };
const DESK = { id: 'desk', type: 'digitalConsole', params: { channels: 16 } };
const CLOCK = { id: 'clock', type: 'clockGenerator', params: {} };
const STREAM: [string, string] = ['converter/host-out/1', 'daw/stream-in/1'];
const MADI: [string, string][] = [
  ['box/madi-out-1/1', 'desk/madi-in-1/1'],
  ['desk/madi-out-1/1', 'box/madi-in-1/1'],
];

describe('who follows whose clock', () => {
  it('a converter alone is master, and the host runs on it', () => {
    expect(said(planOf({ devices: [CONVERTER, DAW], wires: [STREAM] }))).toEqual([
      'converter: internal → converter 48000',
      'daw: follows → converter 48000',
    ]);
  });

  it('word clock that is plugged in is followed', () => {
    const plan = planOf({
      devices: [CONVERTER, DAW, CLOCK],
      wires: [STREAM, ['clock/clock-1/1', 'converter/clock-in/1']],
    });
    expect(said(plan)).toContain('daw: follows → clock 48000');
    expect(plan.domains[0]!.masters).toEqual(['clock']);
  });

  it('between two that hear each other somebody has to say who is master', () => {
    expect(said(planOf({ devices: [BOX, DESK], wires: MADI }))).toEqual([
      'box: unsaid → ? ?',
      'desk: unsaid → ? ?',
    ]);
    const box = { ...BOX, clock: { follows: 'madi-in-1' } };
    const desk = { ...DESK, clock: { follows: 'internal', rateHz: 96_000 as const } };
    expect(said(planOf({ devices: [box, desk], wires: MADI }))).toEqual([
      'box: follows → desk 96000',
      'desk: internal → desk 96000',
    ]);
  });

  it('two that follow each other have no master', () => {
    const box = { ...BOX, clock: { follows: 'madi-in-1' } };
    const desk = { ...DESK, clock: { follows: 'madi-in-1' } };
    expect(planOf({ devices: [box, desk], wires: MADI }).domains[0]!.masters).toEqual([]);
  });

  it('one told to follow a connector with nothing on it follows nothing', () => {
    const box = { ...BOX, clock: { follows: 'madi-in-9' } };
    expect(said(planOf({ devices: [box, DESK], wires: MADI }))[0]).toBe('box: nothing → ? ?');
  });

  it('devices that nothing digital joins are domains of their own', () => {
    const plan = planOf({
      devices: [CONVERTER, DAW, { ...BOX, clock: { follows: 'madi-in-1' } }, DESK],
      wires: [STREAM, ...MADI],
    });
    expect(plan.domains).toHaveLength(2);
  });

  it('the demo has one domain, its house clock master of all', () => {
    const demo = saltglassRooms();
    const { session } = firstScene(demo);
    const { graph } = contextOf(demo);
    const { domains } = clockPlan(demo.rig, session, graph);
    expect(domains.map(({ masters, devices }) => [masters, devices.length])).toEqual([[['house-clock'], 8]]);
  });
});

describe('lanes of a link', () => {
  // Common practice, no source: optical 8 / 4 / 2; AES10: MADI 64 / 32.
  it.each([
    [48_000, 0],
    [96_000, 4],
    [192_000, 6],
  ] as const)('at %d Hz an optical cable of eight loses %d', (sampleRateHz, lost) => {
    const plan = planOf({
      devices: [
        { id: 'optical', type: 'opticalPreamp', params: {} },
        { id: 'interface', type: 'audioInterface', params: {} },
      ],
      wires: [1, 2, 3, 4, 5, 6, 7, 8].map(
        (n) => [`optical/optical-out-1/${n}`, `interface/optical-in-1/${n}`] as const,
      ),
      session: { sampleRateHz },
    });
    expect(plan.cables[0]).toMatchObject({ lanes: 8, link: 'optical' });
    expect(plan.cables[0]!.lost).toHaveLength(lost);
  });
});
