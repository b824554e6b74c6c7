import { destinationText } from '../../typed/track/destinationText';
import type { Bus, Track } from '../../session/daw/trackSchema';

/** A level of a track that can be turned: its fader, a send, a trim of a hardware slot. */
export type TrackGainKey =
  'faderDb' | `sends/${number}` | `inserts/${number}/${'sendTrimDb' | 'returnTrimDb'}`;

export interface TrackGain {
  readonly key: TrackGainKey;
  /** "Fader", "Send to Plate", "Slot 1 out". */
  readonly title: string;
  readonly db: number;
  /** What a slider goes through; typed, a level may lie outside it. */
  readonly min: number;
  readonly max: number;
}

/** The field of a track that an edit sets, and what it is set to. */
export interface TrackGainChange {
  readonly field: 'faderDb' | 'sends' | 'inserts';
  readonly value: Track['faderDb'] | Track['sends'] | Track['inserts'];
}

const FADER = { min: -60, max: 12 } as const;
const TRIM = { min: -24, max: 24 } as const;

/** @param trims whether the host trims its hardware slots. */
export function trackGains(track: Track, buses: readonly Bus[], trims: boolean): readonly TrackGain[] {
  const sends = track.sends.map(({ destination, levelDb }, i): TrackGain => ({
    key: `sends/${i}`,
    title: `Send to ${destinationText(destination, track.width, buses)}`,
    db: levelDb,
    ...FADER,
  }));
  const slots = track.inserts.flatMap((slot, i): readonly TrackGain[] =>
    slot?.kind !== 'hardware' || !trims
      ? []
      : [
          {
            key: `inserts/${i}/sendTrimDb`,
            title: `Slot ${String(i + 1)} out`,
            db: slot.sendTrimDb,
            ...TRIM,
          },
          {
            key: `inserts/${i}/returnTrimDb`,
            title: `Slot ${String(i + 1)} back`,
            db: slot.returnTrimDb,
            ...TRIM,
          },
        ],
  );
  return [{ key: 'faderDb', title: 'Fader', db: track.faderDb, ...FADER }, ...sends, ...slots];
}

/** What a track is changed to when one of its levels is turned; undefined where it has no such level. */
export function turnTrackGain(track: Track, key: TrackGainKey, db: number): TrackGainChange | undefined {
  const [field, place, trim] = key.split('/');
  const index = Number(place);
  if (field === 'faderDb') return { field, value: db };
  if (field === 'sends' && track.sends[index] !== undefined)
    return {
      field,
      value: track.sends.map((send, i) => (i === index ? { ...send, levelDb: db } : send)),
    };
  if (field !== 'inserts' || trim === undefined || track.inserts[index]?.kind !== 'hardware')
    return undefined;
  return {
    field,
    value: track.inserts.map((slot, i) => (i === index && slot !== null ? { ...slot, [trim]: db } : slot)),
  };
}
