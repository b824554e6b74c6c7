import { lineUpSheet } from '@ft/core/views/levels/lineUpSheet';
import { contributions, sumRows } from '@ft/core/views/levels/sumView';
import { clockView } from '@ft/core/views/time/clockView';
import { atRate } from '@ft/core/views/time/ratePreview';
import { timeView } from '@ft/core/views/time/timeView';
import { stripOf } from '@ft/core/views/strip/strip';
import { saltglassRooms } from '../fixtures/builtDemo';
import { EXAMPLES } from '../checks/examples';
import { contextOf, firstScene, studioOf } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';

const demo = contextOf(saltglassRooms());

describe('what stands at the buses of the demo', () => {
  it('lists buses, summing mixer and headphones, each with its room', () => {
    const names = sumRows(demo).map(({ name }) => name);
    for (const name of [
      'bus Dialogue left',
      'bus Music right',
      '16-way summing mixer bus 1',
      '24×24 converter line out 9',
      'Narrator headphones left',
    ])
      expect(names).toContain(name);
  });

  it('tells what each source brings, the loudest first', () => {
    const list = contributions(demo, 'daw/bus-dialogue/1' as never);
    // The lamplighter comes dry, crushed and by the plate: the same sound three ways.
    expect(list.find(({ name }) => name === 'LAMP')).toMatchObject({ ways: 2 });
    const levels = list.map(({ nominal }) => nominal ?? -Infinity);
    expect(levels).toEqual([...levels].sort((a, b) => b - a));
  });
});

it('the strip of a loudspeaker tells when it is heard, the air counted', () => {
  const strip = stripOf(demo, { kind: 'device', id: 'small-monitor-left' as never })!;
  // 1.2 m at 343.2 m/s.
  expect(strip.heard).toEqual({
    distanceM: 1.2,
    delayMs: expect.closeTo(strip.hops.at(-1)!.delayMs + 3.4965, 3) as number,
  });
  expect(stripOf(demo, { kind: 'device', id: 'mic-preamp' as never })!.heard).toBeUndefined();
});

it('the strip of a track that plays has the levels it plays at', () => {
  const { hops } = stripOf(demo, { kind: 'track', id: 'crush' as never })!;
  // LAMP plays at the line-up, by its send of −8 dB and no fader between.
  expect(hops[0]).toMatchObject({ laneName: 'LAMP playback', nominal: -18, unit: 'dBFS' });
  expect(hops.every(({ nominal }) => nominal !== undefined)).toBe(true);
});

describe('the line-up sheet', () => {
  // −18 dBFS = +4 dBu on channels whose 0 dBFS is +22 dBu: 0 VU. Derived.
  it('sends the line-up through every converter channel and summing input', () => {
    const rows = lineUpSheet(demo);
    expect(rows.find(({ station }) => station === '24-24-converter/dac-1')).toMatchObject({
      ...{ kind: 'output', send: -18, sendUnit: 'dBFS', expect: 4, expectUnit: 'dBu', vu: 0 },
    });
    expect(rows.find(({ station }) => station === '24-24-converter/adc-24')).toMatchObject({
      ...{ kind: 'input', send: 4, sendUnit: 'dBu', expect: -18, expectUnit: 'dBFS' },
    });
    expect(rows.find(({ station }) => station === '16-way-summing-mixer/in-3')).toMatchObject({
      ...{ kind: 'console', send: 4, expect: 4, vu: 0 },
    });
    expect(rows.find(({ device }) => device === 'Cue interface')).toMatchObject({ expect: 0, vu: -4 });
  });

  it('has the console channels that listen to their line input, with what they do to the tone', () => {
    const rows = (settings: Record<string, number>) =>
      lineUpSheet(
        contextOf(
          studioOf({
            devices: [{ id: 'desk', name: 'Split console', type: 'splitConsole', params: { channels: 2 } }],
            settings,
          }),
        ),
      );
    expect(rows({})).toEqual([]);
    // Line trim and fader add up: +4.0 + 1.5 − 3.0 dBu.
    expect(rows({ 'desk/channelInput/2': 2, 'desk/lineTrimDb/2': 1.5, 'desk/faderDb/2': -3 })).toEqual([
      expect.objectContaining({ name: 'Split console line in 2', send: 4, expect: 2.5, vu: -1.5 }),
    ]);
  });

  it('keeps what was read, and tells the error', () => {
    const context = contextOf(
      studioOf({
        ...WORKED_LADDER,
        session: { readings: [{ id: 'converter/adc-1', level: -14.6 }] as never },
      }),
    );
    const [row] = lineUpSheet(context);
    // +4 dBu into +18 dBu are −14.0 dBFS.
    expect(row).toMatchObject({
      expect: -14,
      read: -14.6,
      errorDb: expect.closeTo(-0.6, 9) as number,
      isOff: true,
    });
  });
});

describe('time', () => {
  it('shows the crushed lamplighter late beside the dry one, and the response of both', () => {
    const [parallel] = timeView(demo).parallelPaths.filter(({ source }) => source === 'LAMP');
    expect(parallel!.ways.map(({ lateSamples }) => lateSamples)).toEqual([0, 150, 0]);
    // (2k + 1) / 2τ, τ = 150 samples at 48 kHz.
    expect(parallel!.notchesHz.slice(0, 2)).toEqual([160, 480]);
    const lowest = parallel!.response.reduce((a, b) => (b.db < a.db ? b : a));
    expect(lowest.db).toBeCloseTo(parallel!.dipDb, 2);
    expect(lowest.db).toBeGreaterThanOrEqual(parallel!.dipDb - 1e-9);
    // By hand: 1.132 dry and plate, 0.631 late; the notch where the late one stands against them.
    expect(parallel!.firstNotch!.hz).toBeCloseTo(160, 0);
    expect(parallel!.firstNotch!.db).toBeCloseTo(parallel!.dipDb, 2);
    // Teeth 320 Hz apart: 24 of them end at 7.68 kHz, and nothing is drawn one by one behind it.
    expect(parallel!.blurHz).toBeCloseTo(7680, 6);
    expect(parallel!.response.at(-1)!.hz).toBeLessThanOrEqual(parallel!.blurHz);
    expect(Math.max(...parallel!.response.map(({ db }) => db))).toBeLessThanOrEqual(parallel!.peakDb + 1e-9);
    // The plate comes in time and lifts the dry way; without it the comb would be deeper.
    expect(parallel!.dipDb).toBeGreaterThan(-8);
  });

  it('lists inserts with what the host does not make up for, and counts them against what is felt', () => {
    const { inserts, budget } = timeView(demo);
    expect(inserts).toEqual([expect.objectContaining({ name: 'CRUSH', tripSamples: 150, leftSamples: 150 })]);
    expect(budget).toEqual({ used: 1, felt: 20, counts: true });
  });

  it('tells how late performers hear themselves', () => {
    // Converter, two buffers and the other converter; the de-esser's 64 samples are compensated, as is all else in
    // the host, which therefore delays everything by its slowest path.
    const slowest = demo.graph.compensationSamples;
    expect(slowest).toBeGreaterThan(64);
    const [imke] = timeView(demo).performers;
    expect(imke).toMatchObject({
      name: 'Imke Tarrow',
      delaySamples: 12 + 64 + slowest + 64 + 10,
      limitMs: 5,
    });
  });

  it('adds the safety offset of the driver, and the air before a distant microphone', () => {
    const [mic, ...rest] = WORKED_LADDER.devices!;
    const studio = studioOf({
      ...WORKED_LADDER,
      devices: [mic!, ...rest],
      threads: [{ ...WORKED_LADDER.threads![0]!, distanceM: 3.432 }],
    });
    const strip = stripOf(contextOf(studio), { kind: 'thread', id: 'thread-1' as never })!;
    // 10 ms at 343.2 m/s are 480 samples at 48 kHz.
    expect(strip.hops[0]!.delaySamples).toBeCloseTo(480, 1);
    expect(strip.hops[0]!.arithmetic.join(' ')).toContain('3.432 m of air');
  });
});

describe('the clock page', () => {
  it('shows followers below whom they follow', () => {
    const { domains } = clockView(demo);
    expect(domains[0]!.masters).toEqual(['House clock']);
    expect(domains[0]!.rows.map(({ name, depth }) => `${depth} ${name}`)).toEqual([
      '0 House clock',
      '1 24×24 converter',
      '2 DAW',
      '1 Cue interface',
      '1 Kiln desk',
      '2 Kiln recorder',
      '2 Kiln stagebox',
      '1 Optical preamp',
    ]);
  });

  it('tells what would not fit at another rate', () => {
    const there = atRate(demo, 96_000);
    expect(there.stopped).toHaveLength(4);
    expect(there.links.find(({ kind }) => kind === 'optical')).toMatchObject({
      lanes: 8,
      carries: 4,
      lost: 4,
    });
    expect(there.added.map(({ rule }) => rule)).toContain('lanes-lost-at-rate');
    expect(atRate(demo, firstScene(saltglassRooms()).session.sampleRateHz)).toMatchObject({
      ...{ stopped: [], added: [], gone: 0 },
    });
  });

  it('offers what a device can follow', () => {
    const context = contextOf(studioOf(EXAMPLES['clock-masters'].trips));
    const row = clockView(context).domains[0]!.rows.find(({ name }) => name === 'Cue interface');
    expect(row!.choices).toEqual([
      { follows: 'internal', name: 'its own clock' },
      { follows: 'optical-in-1', name: 'optical from Optical preamp' },
    ]);
  });
});
