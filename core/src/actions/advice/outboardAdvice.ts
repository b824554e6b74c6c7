import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { Advised } from './advised';
import type { WorkedScene } from '../../scene/workedScene';
import { referenceKnob, referenceOf } from '../../scene/referenceOf';
import { stationsOn } from '../../routing/realise';
import type { Session } from '../../session/sessionSchema';
import type { GraphStation } from '../../graph/signalGraph';
import { formatDb, formatGain, formatLevel } from '../../units/format';
import { settingSet } from '../patchEdits';
import type { ScenePlace } from '../../session/scenePlace';
import { driveAdvice } from '../../advice/driveAdvice';
import type { DriveChoice } from '../../advice/driveAdvice';
import { insertTrims } from '../../advice/insertTrims';
import { referenceAdvice } from '../../advice/referenceAdvice';

export interface OutboardAdvice {
  readonly inserts: readonly {
    readonly key: string;
    readonly name: string;
    readonly references: readonly {
      readonly dbu: number;
      readonly headroomDb: number;
      readonly noiseDbfs?: number;
      readonly best: boolean;
      readonly now: boolean;
    }[];
    readonly weakest?: string;
    readonly reference?: Advised;
    readonly trims?: Advised;
  }[];
  readonly drives: readonly {
    readonly key: string;
    readonly name: string;
    readonly nominalDbu: number;
    readonly peakDbu?: number;
    readonly headroomDb?: number;
    readonly inputGainDb: number;
    readonly choices: readonly DriveChoice[];
  }[];
}

const referenceEdits = (
  context: WorkedScene,
  place: ScenePlace,
  stations: readonly GraphStation[],
  dbu: number,
): readonly Edit[] =>
  stations.flatMap((station) => {
    const knob = referenceKnob(context, station);
    return knob === undefined ? [] : [settingSet(place, context.scene, knob.key, dbu)];
  });

function insertAdvised(context: WorkedScene, place: ScenePlace, sweetDbu: number): OutboardAdvice['inserts'] {
  const { graph, insertRoundTrips, session } = context;
  return insertRoundTrips.flatMap((trip): OutboardAdvice['inserts'] => {
    const stations = stationsOn(graph, trip.path);
    const advice = trip.comesBack ? referenceAdvice(context, trip.path, stations) : undefined;
    if (advice === undefined) return [];
    const ends = stations.filter(({ id }) => id === advice.out || id === advice.back);
    const [now, back] = ends.map((end) => referenceOf(context, end));
    const right = now === advice.best && back === advice.best;
    const trims = insertTrims(context, trip, sweetDbu);
    const name = `${trip.track.name}, slot ${String(trip.slot)}${trip.track.width === 1 ? '' : `, side ${String(trip.side)}`}`;
    return [
      {
        key: `${trip.track.id} ${String(trip.slot)} ${String(trip.side)}`,
        name,
        references: advice.choices.map(({ referenceDbu, ...rest }) => ({
          dbu: referenceDbu,
          ...rest,
          best: referenceDbu === advice.best,
          now: referenceDbu === now,
        })),
        ...(advice.weakest !== undefined && { weakest: graph.lanes[advice.weakest]?.name ?? '' }),
        reference: right
          ? { text: `Both ends stand at ${formatLevel(advice.best, 'dBu')}, the best for it.`, edits: [] }
          : {
              text: `${formatLevel(advice.best, 'dBu')} at both ends: unity gain, and the highest at which full scale still fits.`,
              label: `Set both ends of ${name} to ${formatLevel(advice.best, 'dBu')}`,
              edits: referenceEdits(context, place, ends, advice.best),
            },
        ...(trims && { trims: trimsAdvised(session, trip, trims, sweetDbu) }),
      },
    ];
  });
}

function trimsAdvised(
  { id: session, hostProfile }: Session,
  trip: WorkedScene['insertRoundTrips'][number],
  { nowDbu, sendTrimDb, returnTrimDb, overDb }: NonNullable<ReturnType<typeof insertTrims>>,
  sweetDbu: number,
): Advised {
  const { track, slot, settings } = trip;
  const over =
    overDb !== undefined && overDb > 0 ? ` Its peaks would be ${formatDb(overDb)} over the unit.` : '';
  if (Math.abs(sendTrimDb - settings.sendTrimDb) < 0.05)
    return { text: `It stands at ${formatLevel(nowDbu, 'dBu')}, where it should.${over}`, edits: [] };
  // What this host cannot do is not offered; the level is turned where the sound comes from.
  if (!hostProfile.trims)
    return {
      text: `Now ${formatLevel(nowDbu, 'dBu')}, and ${formatLevel(sweetDbu, 'dBu')} is wanted. This kind of host does not trim inserts: turn what feeds the slot by ${formatGain(sendTrimDb - settings.sendTrimDb)} dB, and take the same off behind it.${over}`,
      edits: [],
    };
  const inserts = track.inserts.map((each, i) =>
    i === slot - 1 ? { ...settings, sendTrimDb, returnTrimDb } : each,
  );
  return {
    text: `Now ${formatLevel(nowDbu, 'dBu')}. Send ${formatGain(sendTrimDb)} dB and return ${formatGain(returnTrimDb)} dB bring it to ${formatLevel(sweetDbu, 'dBu')}; the track keeps its level.${over}`,
    label: `Trim slot ${String(slot)} of ${track.name} to ${formatLevel(sweetDbu, 'dBu')}`,
    edits: [
      editSet('track', { session }, track.id, { field: 'inserts', value: inserts, was: track.inserts }),
    ],
  };
}

/**
 * What to do about outboard: reference levels and trims of inserts, drive of summing inputs.
 * @param sweetDbu the level at which units are wanted, RMS at their inputs.
 */
export function outboardAdvice(context: WorkedScene, place: ScenePlace, sweetDbu: number): OutboardAdvice {
  return {
    inserts: insertAdvised(context, place, sweetDbu),
    drives: context.graph.stations
      .filter(({ role }) => role === 'sum')
      .flatMap((station) => {
        const drive = driveAdvice(context, station);
        return drive === undefined ? [] : [{ key: station.id, name: station.name, ...drive }];
      }),
  };
}
