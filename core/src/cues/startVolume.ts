import type { WorkedScene } from '../scene/workedScene';
import { powerSumDb } from '../units/decibel';
import type { Ear } from './ear';
import type { Volume } from './volume';
import { volumeOf } from './volume';

/** Where a cue starts at the ear, dB SPL, everything sounding. Common practice, no source. */
export const START_AT_EAR_DB_SPL = 75;

/** Where the volume of a pair has to stand for the ear to start at its level. */
export interface StartVolume {
  readonly volume: Volume;
  /** As worked out; may lie beyond the end of the knob. */
  readonly wantedDb: number;
  /** Within the knob, to its tenth. */
  readonly valueDb: number;
  /** What the ear then has. */
  readonly dbSpl: number;
}

const toTenth = (db: number): number => Math.round(db * 10) / 10;

/**
 * Works the volume at the box out so that everything at the louder ear, talkback and click counted, is 75 dB SPL.
 * Undefined where the box has no volume, or nothing of known level reaches it.
 */
export function startVolume(context: WorkedScene, ear: Ear): StartVolume | undefined {
  const volume = volumeOf(context, ear.headphones.id);
  if (volume === undefined) return undefined;
  // What each side would have with its knob at 0 dB.
  const bare = volume.sides.flatMap(({ valueDb }, i) => {
    const levels = [ear.sidesDbSpl[i], ear.talkbackSidesDbSpl[i]].filter((level) => level !== undefined);
    return levels.length === 0 ? [] : [powerSumDb(levels) - valueDb];
  });
  if (bare.length === 0) return undefined;
  const atZero = Math.max(...bare);
  const wantedDb = START_AT_EAR_DB_SPL - atZero;
  const valueDb = toTenth(Math.min(Math.max(wantedDb, volume.min), volume.max));
  return { volume, wantedDb, valueDb, dbSpl: atZero + valueDb };
}
