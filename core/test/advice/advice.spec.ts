import type { WorkedScene } from '@ft/core/scene/workedScene';
import { driveAdvice } from '@ft/core/advice/driveAdvice';
import { insertTrims } from '@ft/core/advice/insertTrims';
import { noiseShares } from '@ft/core/advice/noiseShares';
import { preampAdvice } from '@ft/core/advice/preampAdvice';
import { referenceAdvice } from '@ft/core/advice/referenceAdvice';
import { stationsOn } from '@ft/core/routing/realise';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/builtDemo';
import { outboardAdvice } from '@ft/core/actions/advice/outboardAdvice';
import { laneSum } from '@ft/core/levels/laneSum';
import { dawParts, hardwareSlot, track } from '../checks/examples/example';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';

const worked = (more: Parts = {}): WorkedScene => contextOf(studioOf({ ...WORKED_LADDER, ...more }));

describe('advice on a preamp', () => {
  it('brings the source to the line-up where its peaks have the room', () => {
    const context = worked();
    // −19.0 dBFS at 44 dB: a whole decibel to −18.0, and 6 dB of room over a peak of −7.0 dBFS.
    expect(preampAdvice(context, context.threads[0]!)).toMatchObject({
      gainDb: 45,
      because: 'line-up',
      nominalDbfs: expect.closeTo(-18, 1) as number,
    });
  });

  it('keeps the headroom of the session over the peaks, and names the place that decides', () => {
    const context = worked({ session: { headroomDb: 12 } });
    const advice = preampAdvice(context, context.threads[0]!)!;
    // −8.01 dBFS peaks at 44 dB; 12 dB of room are −12: four decibels down.
    expect(advice).toMatchObject({ gainDb: 40, because: 'headroom' });
    expect(context.graph.lanes[advice.tightest!]!.id).toBe('converter/line-in-1/1');
    const set = worked({
      session: { headroomDb: 12 },
      settings: { ...WORKED_LADDER.settings, 'preamp/gainDb/1': advice.gainDb },
    });
    expect(set.threads[0]!.ladder.rungs.find(({ unit }) => unit === 'dBFS')!.headroomDb).toBeGreaterThan(12);
  });

  it('stays within the knob, and says so', () => {
    const quiet = worked({ threads: [{ ...WORKED_LADDER.threads![0]!, levelDbSpl: 40 }] });
    expect(preampAdvice(quiet, quiet.threads[0]!)).toMatchObject({ gainDb: 65, because: 'range' });
  });

  it('says nothing of a source whose level nobody gave', () => {
    const silent = worked({ threads: [{ from: 'mic/out/1', inserts: ['opto/channel-a'] }] });
    expect(preampAdvice(silent, silent.threads[0]!)).toBeUndefined();
  });
});

describe('where noise is made', () => {
  it('adds up to the noise at the end of the worked ladder', () => {
    const { graph, threads } = worked();
    const [{ start, path, ladder }] = threads as [(typeof threads)[0]];
    const shares = noiseShares(graph, start, path, ladder);
    const total = 10 * Math.log10(shares.reduce((sum, { atEnd }) => sum + 10 ** (atEnd / 10), 0));
    expect(total).toBeCloseTo(ladder.rungs.at(-1)!.noise!, 6);
    expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    // The microphone's own noise leads by far; derived in the worked ladder.
    expect(graph.lanes[shares[0]!.lane]!.id).toBe('mic/out/1');
  });

  it('adds up on every complete thread of the demo', () => {
    const { graph, threads } = contextOf(saltglassRooms());
    for (const { start, path, ladder, thread } of threads.filter(
      ({ thread: { purpose } }) => purpose === 'input',
    )) {
      const shares = noiseShares(graph, start, path, ladder);
      const total = 10 * Math.log10(shares.reduce((sum, { atEnd }) => sum + 10 ** (atEnd / 10), 0));
      expect([thread.id, total]).toEqual([thread.id, expect.closeTo(ladder.rungs.at(-1)!.noise!, 6)]);
    }
  });
});

/** A track over a hardware insert through a unit that takes so much. */
const insert = (maxDbu: number, gainDb = 0): WorkedScene =>
  contextOf(
    studioOf(
      dawParts([track('narr', { crestDb: 14, inserts: [hardwareSlot(1, 1, { delaySamples: 150 })] })], {
        devices: [
          {
            id: 'opto',
            type: 'dynamics',
            params: { inputOhm: 1e9, maxInputDbu: maxDbu, maxOutputDbu: 60, outputNoiseDbu: -80 },
          },
        ],
        wires: [
          ['converter/line-out-1/1', 'opto/in-1/1'],
          ['opto/out-1/1', 'converter/line-in-1/1'],
        ],
        settings: { 'opto/netGainDb/1': gainDb },
      }),
    ),
  );

const referenceOfTrip = (context: WorkedScene): NonNullable<ReturnType<typeof referenceAdvice>> => {
  const [trip] = context.insertRoundTrips;
  const stations = stationsOn(context.graph, trip!.path);
  return referenceAdvice(context, trip!.path, stations)!;
};

describe('the best reference level of a round trip', () => {
  it('is the highest at which full scale still fits the outboard', () => {
    const advice = referenceOfTrip(insert(20.5));
    expect(advice.best).toBe(20);
    expect(advice.choices.find(({ referenceDbu }) => referenceDbu === 20)!.headroomDb).toBeCloseTo(0.5, 4);
    expect(advice.choices.find(({ referenceDbu }) => referenceDbu === 22)!.headroomDb).toBeCloseTo(-1.5, 4);
  });

  it('is the one with the most room where none fits', () => {
    expect(referenceOfTrip(insert(6)).best).toBe(13);
  });

  it('tells the noise of the outboard under full scale', () => {
    const [choice] = referenceOfTrip(insert(24)).choices;
    expect(choice!.noiseDbfs).toBeCloseTo(-80 - 13, 1);
  });
});

describe('the reference of a trip through an unbalanced unit', () => {
  /** A unit of unbalanced connectors, then an amplifier with a noise of its own at its input. */
  const scene = contextOf(
    studioOf(
      dawParts([track('narr', { crestDb: 14, inserts: [hardwareSlot(1, 1, { delaySamples: 150 })] })], {
        devices: [
          {
            ...{ id: 'tape', type: 'customUnit' },
            params: {
              ports: [
                { key: 'in', name: 'in', direction: 'in', connector: 'ts', impedanceOhm: 1e9, maxDbu: 10 },
                { key: 'out', name: 'out', direction: 'out', connector: 'ts', impedanceOhm: 1, maxDbu: 60 },
              ],
              routes: [{ from: 'in', to: 'out' }],
            },
          },
          {
            ...{ id: 'amp', type: 'micPreamp' },
            params: { channels: 1, minGainDb: 0, inputOhm: 1e9, maxInputDbu: 60, einDbu: -100, outputOhm: 1 },
          },
        ],
        wires: [
          ['converter/line-out-1/1', 'tape/in/1'],
          ['tape/out/1', 'amp/mic-1/1'],
          ['amp/out-1/1', 'converter/line-in-1/1'],
        ],
        settings: { 'amp/gainDb/1': 0 },
      }),
    ),
  );
  const advice = referenceOfTrip(scene);

  it('counts that it takes one leg alone', () => {
    // +16.02 dBu full scale is +10 dBu at its input: 20·log10(1/2) lower.
    const at13 = advice.choices.find(({ referenceDbu }) => referenceDbu === 13)!;
    expect(at13.headroomDb).toBeCloseTo(10 - (13 + 20 * Math.log10(1 / 2)), 3);
  });

  it('counts the noise at the input of what comes after it', () => {
    const thermal = 20 * Math.log10(Math.sqrt(4 * 1.380649e-23 * 293.15 * 150 * 20_000) / Math.sqrt(0.6));
    const own = 10 * Math.log10(10 ** -10 - 10 ** (thermal / 10));
    const at13 = advice.choices.find(({ referenceDbu }) => referenceDbu === 13)!;
    expect(at13.noiseDbfs).toBeCloseTo(own - 13, 2);
  });
});

describe('the trims of an insert', () => {
  it('put its unit at its sweet level and take it off again', () => {
    const context = insert(24);
    const [trip] = context.insertRoundTrips;
    // −18 dBFS on a channel of +22 dBu: +4 dBu at the unit.
    const trims = insertTrims(context, trip!, 10)!;
    expect(trims).toMatchObject({ sendTrimDb: 6, returnTrimDb: -6 });
    expect(trims.nowDbu).toBeCloseTo(4, 3);
    expect(trims.overDb).toBeCloseTo(10 + 14 - 3.01 - 24, 1);
  });
});

describe('advice on outboard', () => {
  const trimsOn = (trims: boolean) => {
    const demo = saltglassRooms();
    const [session] = demo.sessions;
    const sessions = [{ ...session!, hostProfile: { ...session!.hostProfile, trims } }];
    return outboardAdvice(contextOf({ ...demo, sessions }), SALTGLASS_PLACE, 4).inserts[0]!.trims!;
  };

  it('offers trims on a host that has them', () => {
    expect(trimsOn(true)).toMatchObject({ label: 'Trim slot 1 of CRUSH to +4.0 dBu' });
  });

  it('offers none on a host that does not trim, and says what to turn instead', () => {
    expect(trimsOn(false).edits).toEqual([]);
    expect(trimsOn(false).text).toMatch(/does not trim inserts: turn what feeds the slot by \+9\.\d dB/);
  });
});

describe('how hard a summing input is driven', () => {
  const context = contextOf(saltglassRooms());
  const station = context.graph.stations.find(({ id }) => id === '16-way-summing-mixer/in-1')!;

  it('offers every position of its gain with the trim that keeps the balance', () => {
    const advice = driveAdvice(context, station)!;
    expect(advice.inputGainDb).toBe(0);
    expect(advice.nominalDbu).toBeCloseTo(laneSum(context.field, station.in).nominal!, 9);
    for (const { trimInDb, inputGainDb, nominalDbu } of advice.choices) {
      expect(trimInDb + inputGainDb).toBe(0);
      expect(nominalDbu - advice.nominalDbu).toBeCloseTo(trimInDb, 9);
    }
    expect(advice.choices.map(({ trimInDb }) => trimInDb)).toEqual([6, 3, -3, -6]);
  });

  it('says nothing of one that nothing feeds', () => {
    const idle = context.graph.stations.find(({ id }) => id === '16-way-summing-mixer/in-16')!;
    expect(driveAdvice(context, idle)).toBeUndefined();
  });
});
