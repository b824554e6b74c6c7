import type { GraphStation } from '../../graph/signalGraph';
import type { InsertRoundTrip } from '../../timing/insertRoundTrips';
import { stationOfRole, stationsOn } from '../../routing/realise';
import { TOLERANCE } from '../../units/tolerance';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { EntityRef } from '../../session/entityRef';
import { referenceOf } from '../../scene/referenceOf';
import { threadRefs } from '../../scene/places';
import type { Rule } from '../rule';

interface Trip {
  readonly at: readonly EntityRef[];
  readonly stations: readonly GraphStation[];
  /** What the trims of its slot add, both together. */
  readonly trimDb: number;
}

const trimOf = (trip: InsertRoundTrip | undefined): number =>
  trip === undefined ? 0 : trip.settings.sendTrimDb + trip.settings.returnTrimDb;

/** Everything that leaves the host and comes back: inserts of the input list, and hardware slots. */
function trips(context: WorkedScene): readonly Trip[] {
  const { graph, threads, insertRoundTrips } = context;
  return [
    ...threads
      .filter(({ thread, complete }) => thread.purpose === 'insert' && complete)
      .map((planned) => ({
        at: threadRefs([planned]),
        stations: planned.stations,
        trimDb: trimOf(insertRoundTrips.find(({ send }) => send === planned.thread.from)),
      })),
    ...insertRoundTrips
      .filter(({ comesBack }) => comesBack)
      .map((trip) => ({
        at: [{ kind: 'track', id: trip.track.id } as const],
        stations: stationsOn(graph, trip.path),
        trimDb: trimOf(trip),
      })),
  ];
}

const differs = (a: number, b: number): boolean => Math.abs(a - b) > TOLERANCE.levelDb;

function roundTrips(context: WorkedScene): readonly Finding[] {
  return trips(context).flatMap(({ at, stations, trimDb }): readonly Finding[] => {
    const out = stations.find(({ role }) => role === 'line-output');
    const back = stations.find(({ role }) => role === 'converter');
    const [dac, adc] = [out && referenceOf(context, out), back && referenceOf(context, back)];
    if (out === undefined || back === undefined || dac === undefined || adc === undefined) return [];
    if (!differs(dac + trimDb, adc)) return [];
    return [
      {
        rule: 'line-up-mismatch',
        at: [...at, { kind: 'station', id: out.id }, { kind: 'station', id: back.id }],
        figures: { what: 'round-trip', firstDbu: dac, secondDbu: adc, gainDb: dac - adc + trimDb },
      },
    ];
  });
}

function pairs(context: WorkedScene): readonly Finding[] {
  const { threads } = context;
  return threads.flatMap((right): readonly Finding[] => {
    const lead = threads.find(({ thread }) => thread.id === right.thread.link?.lead);
    const stations = [lead, right].map((side) => side && stationOfRole(side, 'converter'));
    const [a, b] = stations;
    const [first, second] = stations.map((station) => station && referenceOf(context, station));
    if (lead === undefined || a === undefined || b === undefined) return [];
    if (first === undefined || second === undefined || !differs(first, second)) return [];
    return [
      {
        rule: 'line-up-mismatch',
        at: [...threadRefs([lead, right]), { kind: 'station', id: a.id }, { kind: 'station', id: b.id }],
        figures: { what: 'pair', firstDbu: first, secondDbu: second, gainDb: first - second },
      },
    ];
  });
}

export const lineUpMismatch: Rule = {
  id: 'line-up-mismatch',
  title: 'Reference levels differ',
  severity: 'warning',
  stage: 'mix',
  why: 'A round trip whose output and input are lined up differently comes back louder or softer; a pair lined up differently leans to one side.',
  limits:
    'What the outboard in between does on purpose is not counted. Trims of the slot that make up for the difference end the finding.',
  run: (context) => [...roundTrips(context), ...pairs(context)],
};
