import type { RuleId } from '@ft/core/checks/finding';
import type { ReportedFinding } from '@ft/core/checks/runChecks';
import { runChecks } from '@ft/core/checks/runChecks';
import { repairPreviews } from '@ft/core/actions/repairs/repairs';
import { WORKED_LADDER } from '../fixtures/workedLadder';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, PLACE, studioOf } from '../fixtures/studioOf';
import { dawParts, hardwareSlot, loudspeaker, track } from './examples/example';

const found = (parts: Parts, rule: RuleId): readonly ReportedFinding[] =>
  runChecks(contextOf(studioOf(parts))).findings.filter(({ finding }) => finding.rule === rule);
const fires = (parts: Parts, rule: RuleId): boolean => found(parts, rule).length > 0;
const figuresOf = (parts: Parts, rule: RuleId): unknown => found(parts, rule)[0]?.finding.figures;

/** What each repair of the first finding of a rule would end, by its label. */
function repairs(parts: Parts, rule: RuleId): readonly string[] {
  const studio = studioOf(parts);
  const context = contextOf(studio);
  const [first] = runChecks(context).findings.filter(({ finding }) => finding.rule === rule);
  return repairPreviews(studio, PLACE, context, first!.finding, first!.key).map(({ label }) => label);
}

// Facts of the trade, common practice, no source: who needs 48 V, who is harmed by it, what lets it through.
describe('48 V', () => {
  const mic = (params: object, isOn: boolean): Parts => ({
    ...WORKED_LADDER,
    devices: [
      { id: 'mic', type: 'microphone', params: { sensitivityMvPerPa: 12, ...params } },
      ...WORKED_LADDER.devices!.slice(1),
    ],
    settings: { ...WORKED_LADDER.settings, 'preamp/phantom/1': isOn },
  });

  it.each<[string, object, boolean, boolean]>([
    ['a condenser', { principle: 'condenser' }, true, false],
    [
      'a condenser with a supply of its own',
      { principle: 'condenser', phantomPower: 'harmless' },
      false,
      false,
    ],
    ['a dynamic', { principle: 'dynamic' }, false, false],
    ['a passive ribbon', { principle: 'ribbon' }, false, true],
    ['a ribbon with an amplifier', { principle: 'ribbon', phantomPower: 'needs' }, true, false],
  ])('is asked for by, and harms, as data say: %s', (_what, params, needs, isHarmed) => {
    expect(fires(mic(params, false), 'phantom-missing')).toBe(needs);
    expect(fires(mic(params, true), 'phantom-missing')).toBe(false);
    expect(fires(mic(params, true), 'phantom-into-ribbon')).toBe(isHarmed);
  });

  it('is switched on by the repair', () => {
    expect(repairs(mic({ principle: 'condenser' }, false), 'phantom-missing')).toEqual([
      'Switch 48 V on at Preamp 1',
    ]);
  });

  it('is told where nothing on the line can give it', () => {
    const parts = mic({ principle: 'condenser' }, false);
    const [first, ...rest] = parts.devices!;
    const without = rest.map((device) =>
      device.id === 'preamp' ? { ...device, params: { channels: 1, phantom: false } } : device,
    );
    const bare = { ...parts, devices: [first!, ...without], settings: {} };
    expect(figuresOf(bare, 'phantom-missing')).toMatchObject({ why: 'nothing-gives-it' });
  });

  const di = (params: Record<string, unknown>): Parts => ({
    devices: [
      { id: 'bass', type: 'instrument', params: {} },
      { id: 'di', type: 'diBox', params },
      { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
    ],
    wires: [
      ['bass/out/1', 'di/in-1/1'],
      ['di/out-1/1', 'preamp/mic-1/1'],
    ],
    threads: [{ from: 'bass/out/1', purpose: 'feed', to: 'preamp/mic-1/1', inserts: [] }],
  });

  it.each<[Record<string, unknown>, boolean]>([
    [{ kind: 'active' }, true],
    [{ kind: 'active', runsOn: 'battery or supply' }, false],
    [{ kind: 'passive' }, false],
  ])('is what a DI box needs: %j', (params, needs) => {
    expect(fires(di(params), 'phantom-missing')).toBe(needs);
  });

  it('runs through a pad of resistors into a line output', () => {
    const through = (box: object): Parts => ({
      devices: [
        { id: 'player', type: 'mediaPlayer', params: {} },
        { id: 'box', params: {}, ...box } as NonNullable<Parts['devices']>[number],
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
      ],
      wires: [
        ['player/out-1/1', 'box/in-1/1'],
        ['box/out-1/1', 'preamp/mic-1/1'],
      ],
      settings: { 'preamp/phantom/1': true },
    });
    expect(figuresOf(through({ type: 'inlinePad' }), 'phantom-into-ribbon')).toMatchObject({
      what: 'line-output',
      at: 'player/out-1/1',
    });
    expect(fires(through({ type: 'diBox' }), 'phantom-into-ribbon')).toBe(false);
  });

  it('is on the plug that listens at the upper jack of a half normal', () => {
    const listening = (isPlugged: boolean): Parts => ({
      devices: [
        { id: 'mic', type: 'microphone', params: { principle: 'condenser', sensitivityMvPerPa: 12 } },
        { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'half' } },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
      ],
      wires: [
        ['mic/out/1', 'bay/upper-rear-1/1'],
        ['bay/lower-rear-1/1', 'preamp/mic-1/1'],
      ],
      cords: isPlugged ? [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }] : [],
      settings: { 'preamp/phantom/1': true },
    });
    expect(fires(listening(false), 'phantom-on-jack-bay')).toBe(false);
    expect(figuresOf(listening(true), 'phantom-on-jack-bay')).toMatchObject({
      jacks: ['bay/upper-1/1', 'bay/lower-2/1'],
    });
  });
});

describe('one sound over a maximum', () => {
  // −18 dBFS with a crest of 20 dB peaks at −18 + 20 − 3.01 = −1.01 dBFS.
  const voice = (more: Parameters<typeof track>[1]) => track('voice', { crestDb: 20, ...more });
  const out = { to: 'host', first: 1 } as const;

  it.each([
    [1, false],
    [2, true],
  ])('is told of playback at a host output, %d dB up', (faderDb, isOver) => {
    const parts = dawParts([voice({ faderDb, outputs: [out] })]);
    expect(fires(parts, 'over-max-input')).toBe(isOver);
    if (!isOver) return;
    expect(found(parts, 'over-max-input')[0]!.finding.at).toEqual([
      { kind: 'track', id: 'voice' },
      { kind: 'lane', id: 'daw/stream-out/1' },
    ]);
    expect(repairs(parts, 'over-max-input')).toEqual(['Turn the fader of VOICE down 1 dB']);
  });

  it('is told of the unit of an insert, and of a summing input', () => {
    const inserted = (maxInputDbu: number): Parts =>
      dawParts([voice({ inserts: [hardwareSlot(1, 1, { delaySamples: 150 })] })], {
        devices: [{ id: 'opto', type: 'dynamics', params: { maxInputDbu, inputOhm: 1e9 } }],
        wires: [
          ['converter/line-out-1/1', 'opto/in-1/1'],
          ['opto/out-1/1', 'converter/line-in-1/1'],
        ],
      });
    // 0 dBFS is +22 dBu here: the peak is +20.99 dBu.
    expect(fires(inserted(21), 'over-max-input')).toBe(false);
    expect(fires(inserted(20.9), 'over-max-input')).toBe(true);
    const summed = (maxInputDbu: number): Parts =>
      dawParts([voice({ outputs: [out] })], {
        devices: [{ id: 'sum', type: 'summingMixer', params: { inputs: 2, maxInputDbu, inputOhm: 1e9 } }],
        wires: [['converter/line-out-1/1', 'sum/in-1/1']],
      });
    expect(fires(summed(21), 'over-max-input')).toBe(false);
    expect(fires(summed(20.9), 'over-max-input')).toBe(true);
  });

  it('is no fault on a floating-point bus that comes down before its output', () => {
    const bus = { to: 'bus', bus: 'b' as never } as const;
    const parts = (busFaderDb: number): Parts =>
      dawParts(
        [
          voice({ faderDb: 9, outputs: [bus] }),
          track('group', {
            ...{ kind: 'group', number: 2, input: { from: 'bus', bus: 'b' as never } },
            ...{ faderDb: busFaderDb, outputs: [out] },
          }),
        ],
        { session: { buses: [{ id: 'b', name: 'B', width: 1 }] as never } },
      );
    expect(fires(parts(-9), 'over-max-input')).toBe(false);
    expect(fires(parts(0), 'over-max-input')).toBe(true);
  });

  it('is one on a bus of a digital console, though its output is turned down', () => {
    const console = (trimDb: number): Parts => ({
      devices: [
        { id: 'player', type: 'mediaPlayer', params: { outputOhm: 0.001 } },
        {
          ...{ id: 'console', type: 'digitalConsole' },
          params: { channels: 2, micInputs: 2, initialReferenceDbu: 18, minGainDb: 0, maxInputDbu: 30 },
        },
      ],
      wires: [['player/out-1/1', 'console/mic-1/1']],
      threads: [
        { from: 'player/out-1/1', purpose: 'feed', to: 'console/mic-1/1', levelDbu: 0, crestDb: 13.01 },
      ],
      settings: {
        'console/gainDb/1': 0,
        'console/channelSource/1': 1,
        'console/trimDb/1': trimDb,
        'console/faderDb/1': -20,
        'console/toMix/1': true,
      },
    });
    // A peak of +10 dBu is −8 dBFS.
    expect(fires(console(7), 'over-max-input')).toBe(false);
    expect(fires(console(9), 'over-max-input')).toBe(true);
  });
});

describe('a round trip between reference levels', () => {
  const parts = (sendTrimDb: number, returnTrimDb: number): Parts =>
    dawParts(
      [track('voice', { inserts: [hardwareSlot(1, 1, { delaySamples: 150, sendTrimDb, returnTrimDb })] })],
      {
        devices: [{ id: 'opto', type: 'dynamics', params: {} }],
        wires: [
          ['converter/line-out-1/1', 'opto/in-1/1'],
          ['opto/out-1/1', 'converter/line-in-1/1'],
        ],
        settings: { 'converter/adcReferenceDbu/1': 18 },
      },
    );

  it('is quiet where trims make up for the difference, and tells what they leave', () => {
    // Out at +22, in at +18 dBu: 4 dB up.
    expect(figuresOf(parts(0, 0), 'line-up-mismatch')).toMatchObject({ gainDb: 4 });
    expect(fires(parts(0, -4), 'line-up-mismatch')).toBe(false);
    expect(fires(parts(-1, -3), 'line-up-mismatch')).toBe(false);
    expect(figuresOf(parts(0, -3), 'line-up-mismatch')).toMatchObject({ gainDb: 1 });
  });
});

describe('loading (common practice, no source)', () => {
  const micInto = (inputOhm: number): Parts => ({
    devices: [
      {
        ...{ id: 'mic', type: 'microphone' },
        params: { principle: 'dynamic', sensitivityMvPerPa: 2, sourceOhm: 200 },
      },
      { id: 'preamp', type: 'micPreamp', params: { channels: 1, inputOhm } },
    ],
    wires: [['mic/out/1', 'preamp/mic-1/1']],
  });

  it('lets a microphone have five times its impedance, and no less', () => {
    expect(fires(micInto(1000), 'loading')).toBe(false);
    expect(fires(micInto(999), 'loading')).toBe(true);
  });
});

describe('headphones together on one output', () => {
  const worn = (count: number, impedanceOhm: number, leastLoadOhm: number): Parts => ({
    devices: [
      { id: 'cue', type: 'cueAmp', params: { outputs: 1, outputOhm: 10, leastLoadOhm } },
      ...Array.from({ length: count }, (_, i) => ({
        ...{ id: `phones-${i}`, type: 'headphones' },
        params: { impedanceOhm },
      })),
    ],
    wires: Array.from({ length: count }, (_, i) => ['cue/phones-1/1', `phones-${i}/in/1`] as const),
  });
  const alone = 20 * Math.log10(64 / 74);

  it('are told with what each loses over being alone', () => {
    // Four of 64 Ω on 10 Ω lose 4.22 dB, one 1.26: 20·log10(ZL / (ZL + Zo)).
    expect(figuresOf(worn(4, 64, 8), 'cue-load')).toMatchObject({
      phones: 4,
      loadOhm: 16,
      lossDb: expect.closeTo(alone - 20 * Math.log10(16 / 26), 6) as number,
    });
    expect(fires(worn(1, 64, 8), 'cue-load')).toBe(false);
  });

  it('are told where they load it below what it is made for', () => {
    expect(fires(worn(2, 250, 100), 'cue-load')).toBe(false);
    expect(figuresOf(worn(2, 250, 150), 'cue-load')).toMatchObject({ leastOhm: 150, loadOhm: 125 });
  });
});

describe('ears that cannot be muted', () => {
  const monitors = (wires: Parts['wires']): Parts => ({
    devices: [
      { id: 'player', type: 'mediaPlayer', params: {} },
      { id: 'controller', type: 'monitorController', params: {} },
      loudspeaker('left'),
      { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'none' } },
    ],
    wires: wires ?? [],
    cords: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }],
    settings: { 'controller/source/1': 1 },
  });

  it('are loudspeakers that something reaches past the monitor controller', () => {
    const through = monitors([
      ['player/out-1/1', 'controller/source-1-left/1'],
      ['controller/speakers-1-left/1', 'left/in/1'],
    ]);
    expect(fires(through, 'monitors-open-while-patching')).toBe(false);
    // The controller is in the rig and not on the way.
    expect(found(monitors([['player/out-1/1', 'left/in/1']]), 'monitors-open-while-patching')).toMatchObject([
      { finding: { at: [{ kind: 'device', id: 'left' }], figures: { quiet: 'monitors' } } },
    ]);
    expect(fires(monitors([['bay/lower-rear-2/1', 'left/in/1']]), 'monitors-open-while-patching')).toBe(true);
    expect(fires(monitors([]), 'monitors-open-while-patching')).toBe(false);
  });
});

describe('one pair of the host in two slots', () => {
  const parts = (reusePair: boolean, muted: boolean): Parts => {
    const inserts = [hardwareSlot(1, 1, { delaySamples: 150 })];
    const { session, ...rest } = dawParts([
      track('voice', { inserts }),
      track('double', { number: 2, inserts, muted }),
    ]);
    const hostProfile = {
      ...({ insertPairs: 'strict', insertDelay: 'typed in' } as const),
      ...{ trims: false, compensates: true, reusePair, insertsAtSmallBuffer: true },
    };
    return { ...rest, session: { ...session, hostProfile } };
  };

  it.each<[boolean, boolean, boolean]>([
    [true, false, true],
    [true, true, false],
    [false, true, true],
    [false, false, true],
  ])(
    'with a host that lets it be used again: %s, the second muted: %s, is told: %s',
    (reuse, muted, told) => {
      expect(fires(parts(reuse, muted), 'unit-used-twice')).toBe(told);
    },
  );
});
