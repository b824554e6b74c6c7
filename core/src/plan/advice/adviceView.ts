import type { CheckContext, PlannedThread } from '../../checks/context';
import { referenceKnob, referenceOf } from '../../checks/referenceOf';
import type { EditJson } from '../../edits/editKind';
import { stationsOn } from '../../routing/realise';
import type { Session } from '../../session/sessionSchema';
import type { GraphStation } from '../../graph/signalGraph';
import { settingKeyOf } from '../../rig/settings';
import { formatDb, formatGain, formatLevel } from '../../units/format';
import { settingSet } from '../patchEdits';
import type { ScenePlace } from '../scenePlace';
import { driveAdvice } from './driveAdvice';
import type { DriveChoice } from './driveAdvice';
import { insertTrims } from './insertTrims';
import { noiseShares } from './noiseShares';
import { preampAdvice } from './preampAdvice';
import { referenceAdvice } from './referenceAdvice';

/** A change that is recommended, in words, with the edits that make it; none where all is well. */
export interface Advised {
  readonly text: string;
  readonly label?: string;
  readonly edits: readonly EditJson[];
}

export interface ThreadAdvice {
  readonly preamp?: Advised;
  /** Where its noise comes from, the greatest first, down to a hundredth of it. */
  readonly noise: readonly { readonly place: string; readonly level: string; readonly percent: number }[];
}

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

const BECAUSE = {
  'line-up': 'that is the line-up, and every peak has its room',
  headroom: 'its peaks need their room',
  range: 'the knob goes no further',
} as const;

function preampAdvised(
  context: CheckContext,
  place: ScenePlace,
  planned: PlannedThread,
): Advised | undefined {
  const advice = preampAdvice(context, planned);
  const station = context.graph.stations[context.graph.stationIndex.get(advice?.knob.station as never) ?? -1];
  if (advice === undefined || station === undefined) return undefined;
  const { gainDb, knob, because, tightest, nominalDbfs, peakDbfs } = advice;
  const at = tightest === undefined ? '' : ` at ${context.graph.lanes[tightest]?.name ?? ''}`;
  const gives = `${formatLevel(nominalDbfs, 'dBFS')}${peakDbfs === undefined ? '' : `, peaks at ${formatLevel(peakDbfs, 'dBFS')}`}`;
  const reason = `${BECAUSE[because]}${at}`;
  if (gainDb === knob.gainDb)
    return {
      text: `${station.name} stands right at ${formatGain(gainDb)} dB: ${reason}. It gives ${gives}.`,
      edits: [],
    };
  return {
    text: `${station.name} to ${formatGain(gainDb)} dB (now ${formatGain(knob.gainDb)}): ${reason}. It would give ${gives}.`,
    label: `Set ${station.name} to ${formatGain(gainDb)} dB`,
    edits: [
      settingSet(place, context.scene, settingKeyOf(station.device, 'gainDb', station.channel), gainDb),
    ],
  };
}

/** What to do about a thread: its preamp, and where its noise is made. */
export function threadAdvice(context: CheckContext, place: ScenePlace, planned: PlannedThread): ThreadAdvice {
  const { graph } = context;
  const { start, path, ladder } = planned;
  const unit = ladder.rungs.at(-1)?.unit ?? 'dBu';
  const preamp = preampAdvised(context, place, planned);
  return {
    ...(preamp && { preamp }),
    noise: noiseShares(graph, start, path, ladder)
      .filter(({ share }) => share >= 0.01)
      .map(({ lane, side, atEnd, share }) => ({
        place: `${graph.lanes[lane]?.name ?? ''}${side === 'source' ? ', itself' : ''}`,
        level: formatLevel(atEnd, unit),
        percent: Math.round(share * 100),
      })),
  };
}

const referenceEdits = (
  context: CheckContext,
  place: ScenePlace,
  stations: readonly GraphStation[],
  dbu: number,
): readonly EditJson[] =>
  stations.flatMap((station) => {
    const knob = referenceKnob(context, station);
    return knob === undefined ? [] : [settingSet(place, context.scene, knob.key, dbu)];
  });

function insertAdvised(
  context: CheckContext,
  place: ScenePlace,
  sweetDbu: number,
): OutboardAdvice['inserts'] {
  const { graph, insertTrips, session } = context;
  return insertTrips.flatMap((trip): OutboardAdvice['inserts'] => {
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
  trip: CheckContext['insertTrips'][number],
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
      { type: 'track.set', session, id: track.id, field: 'inserts', value: inserts, was: track.inserts },
    ],
  };
}

/**
 * What to do about outboard: reference levels and trims of inserts, drive of summing inputs.
 * @param sweetDbu the level at which units are wanted, RMS at their inputs.
 */
export function outboardAdvice(context: CheckContext, place: ScenePlace, sweetDbu: number): OutboardAdvice {
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
