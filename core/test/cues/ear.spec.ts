import { earOf, ears } from '@ft/core/cues/ear';
import { startVolume } from '@ft/core/cues/startVolume';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { CUE, cueStudio, NARRATOR } from '../fixtures/cueStudio';
import { describeWithNgspice, simulatedDb } from '../fixtures/ngspice';

const earIn = (parts: Parts) => ears(contextOf(studioOf(parts)))[0]!;

const db = (ratio: number): number => 20 * Math.log10(ratio);
const dbu = (volts: number): number => db(volts / Math.sqrt(0.6));
/** Headphones of 64 Ω and 98 dB/mW. Sensitivity + 10·log10(V²/Z in mW). */
const splOf = (levelDbu: number, ohm = 64, sensitivity = 98): number =>
  sensitivity + 10 * Math.log10(((Math.sqrt(0.6) * 10 ** (levelDbu / 20)) ** 2 / ohm) * 1000);

/** The way on paper: microphone, its loading, gain, send, pan law, amplifier and headphones, joint by joint. */
function onPaper(sendDb: number, ampDb: number): number {
  const microphone = dbu(0.002 * 10 ** ((88 - 94) / 20)) + db(2400 / (2400 + 200));
  const atCue = microphone + 50 + sendDb + db(Math.cos(Math.PI / 4));
  const intoAmp = atCue + db(10_000 / (10_000 + 75));
  return splOf(intoAmp + 10 + ampDb + db(64 / (64 + 10)));
}

describe('the level at an ear', () => {
  it.each([
    [-10, -20],
    [-4, -20],
    [-10, -35.5],
  ])('is the ladder redone on paper: send %d dB, amplifier %d dB', (sendDb, ampDb) => {
    const ear = earIn(cueStudio({ settings: { 'console/cueDb/1': sendDb, 'amp/levelDb/1': ampDb } }));
    expect(ear.sumDbSpl).toBeCloseTo(onPaper(sendDb, ampDb), 6);
    expect(ear.ownDbSpl).toBe(ear.sumDbSpl);
    expect(ear.restDbSpl).toBeUndefined();
  });

  it('of a send that is panned to one side is on that side', () => {
    const { sidesDbSpl } = earIn(cueStudio({ settings: { 'console/cuePan/1': -100 } }));
    expect(sidesDbSpl[1]).toBeUndefined();
    expect(sidesDbSpl[0]).toBeCloseTo(onPaper(-10, -20) + db(Math.SQRT2), 6);
  });

  it('is not known where nobody said how loud the source is, and that is told', () => {
    const parts = cueStudio({
      threads: [{ from: 'mic/out/1', to: 'console/mic-1/1', purpose: 'feed', performer: NARRATOR.name }],
    });
    expect(earIn(parts)).toMatchObject({ unknown: 1 });
    expect(earIn(parts).sumDbSpl).toBeUndefined();
  });

  it('has talkback only where it is assigned, at the line-up level, whatever its key', () => {
    expect(earIn(cueStudio()).talkbackDbSpl).toBeUndefined();
    const ear = earIn(cueStudio({ settings: { 'console/talkToCue/1': true } }));
    // +4 dBu into 10 kΩ from 100 Ω; 75 Ω into 10 kΩ; amplifier +10 − 20 dB; 10 Ω into 64 Ω.
    const atPhones = 4 + db(10_000 / 10_100) + db(10_000 / 10_075) - 10 + db(64 / 74);
    expect(ear.talkbackDbSpl).toBeCloseTo(splOf(atPhones), 6);
  });
});

/** Three pairs of different impedance on one output; nothing else hangs there. */
const mixed = (ohms: readonly number[]): Parts =>
  cueStudio({
    devices: ohms.slice(1).map((impedanceOhm, i) => ({
      ...{ id: `phones-${String(i + 2)}`, type: 'headphones', params: { impedanceOhm } },
    })),
    wires: ohms
      .slice(1)
      .flatMap((_, i) =>
        [1, 2].map(
          (side) => [`amp/phones-1/${String(side)}`, `phones-${String(i + 2)}/in/${String(side)}`] as const,
        ),
      ),
    session: {
      cues: [
        { ...CUE, headphones: ohms.map((_, i) => ({ id: i === 0 ? 'phones' : `phones-${String(i + 1)}` })) },
      ],
    },
  });

describeWithNgspice('headphones of different impedance on one output', () => {
  it.each([[[64, 32, 250]], [[64, 64, 64]], [[64, 16, 600]]])(
    'of %j Ω each get what the circuit gives',
    (ohms) => {
      const all = ears(contextOf(studioOf(mixed(ohms))));
      // The amplifier as a source of 1 V behind 10 Ω; every pair is across the same two wires.
      const loads = ohms.map((ohm, i) => `R${String(i + 2)} out 0 ${String(ohm)}`);
      const dropDb = simulatedDb(['V1 in 0 1', 'R1 in out 10', ...loads]);
      const aloneDb = db(64 / 74);
      ohms.forEach((ohm, i) => {
        const unloaded = onPaper(-10, -20) - aloneDb;
        // The same volts into another impedance: 10·log10(64/Z) on top.
        expect(all[i]!.sumDbSpl).toBeCloseTo(unloaded + dropDb + 10 * Math.log10(64 / ohm), 3);
      });
    },
  );
});

describe('the dose at an ear', () => {
  /** The narrator for some hours, with the amplifier turned so that the ear has a level. */
  const at = (wanted: number, hoursADay: number, table: 'niosh' | 'osha', more: Parts['settings'] = {}) =>
    earIn(
      cueStudio({
        settings: {
          ...more,
          'console/cueDb/1': 12,
          'console/gainDb/1': 60,
          'amp/levelDb/1': -20 + wanted - onPaper(22, -20),
        },
        session: { performers: [{ ...NARRATOR, hoursADay }], hearingTable: table },
      }),
    );

  it.each([
    // NIOSH 98-126: 85 dBA for 8 h, halved per 3 dB.
    ['niosh', 88, 4],
    ['niosh', 94, 1],
    ['niosh', 100, 0.25],
    // 29 CFR 1910.95 table G-16: 90 dBA for 8 h, halved per 5 dB.
    ['osha', 95, 4],
    ['osha', 105, 1],
  ] as const)('by %s, %d dB SPL may last %d h', (table, level, hours) => {
    const ear = at(level, hours, table);
    expect(ear.sumDbSpl).toBeCloseTo(level, 6);
    expect(ear.allowedHours).toBeCloseTo(hours, 6);
    expect(ear.dose).toBeCloseTo(1, 6);
  });

  it('counts talkback a tenth of the time', () => {
    const ear = at(88, 1, 'niosh', { 'console/talkToCue/1': true });
    const both = 10 * Math.log10(10 ** 8.8 + 10 ** (ear.talkbackDbSpl! / 10));
    const hours = (level: number): number => 8 / 2 ** ((level - 85) / 3);
    expect(1 / ear.allowedHours!).toBeCloseTo(0.9 / hours(88) + 0.1 / hours(both), 9);
  });

  it('counts the own instrument through closed headphones, by inverse distance', () => {
    const parts = (distanceM?: number): Parts =>
      cueStudio({
        threads: [
          {
            ...{ from: 'mic/out/1', to: 'console/mic-1/1', purpose: 'feed', performer: NARRATOR.name },
            ...{ levelDbSpl: 110, crestDb: 14, ...(distanceM !== undefined && { distanceM }) },
          },
        ],
        session: { performers: [{ ...NARRATOR, earDistanceM: 0.4, hoursADay: 1 }] },
      });
    expect(earIn(parts()).acousticDbSpl).toBeUndefined();
    // 110 dB SPL at 0.1 m is 97.96 at 0.4 m; closed headphones keep 20 dB out.
    expect(earIn(parts(0.1)).acousticDbSpl).toBeCloseTo(110 + db(0.1 / 0.4) - 20, 9);
    expect(earIn(parts(0.1)).atEarDbSpl).toBeGreaterThan(earIn(parts()).atEarDbSpl!);
  });
});

describe('the first sound', () => {
  it('puts the ear at 75 dB SPL, talkback counted', () => {
    const parts = (levelDb: number): Parts =>
      cueStudio({ settings: { 'console/talkToCue/1': true, 'amp/levelDb/1': levelDb } });
    const context = contextOf(studioOf(parts(-80)));
    const start = startVolume(context, ears(context)[0]!)!;
    expect(start.dbSpl).toBeCloseTo(75, 0);
    expect(earIn(parts(start.valueDb)).allDbSpl).toBeCloseTo(start.dbSpl, 9);
    expect(Math.abs(start.dbSpl - 75)).toBeLessThanOrEqual(0.05);
  });

  it('ends at the end of the knob', () => {
    const context = contextOf(studioOf(cueStudio({ settings: { 'console/cueDb/1': -60 } })));
    const start = startVolume(context, ears(context)[0]!)!;
    expect(start).toMatchObject({ valueDb: 0 });
    expect(start.wantedDb).toBeGreaterThan(0);
  });

  it('is not worked out for headphones that nothing drives', () => {
    const context = contextOf(
      studioOf(cueStudio({ devices: [{ id: 'loose', type: 'headphones', params: {} }] })),
    );
    const loose = context.devices.get('loose' as never)!;
    expect(startVolume(context, earOf(context, loose))).toBeUndefined();
  });
});
