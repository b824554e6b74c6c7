import { cuesIn } from '../../cues/cuesIn';
import type { Ear } from '../../cues/ear';
import { ears } from '../../cues/ear';
import { startVolume, START_AT_EAR_DB_SPL } from '../../cues/startVolume';
import { volumeOf } from '../../cues/volume';
import type { CueId } from '../../rig/ids';
import { settingKeyOf } from '../../rig/settings';
import { formatNumber } from '../../units/format';
import type { ChannelChange, ChannelPlan, ChannelRefusal } from '../consoles/channelPlan';
import { settingSet } from '../patchEdits';
import type { CuePlace } from './cuePlace';

/** Pairs whose volumes are to stand somewhere. */
interface Wanted {
  readonly ear: Ear;
  readonly valueDb: number;
}

const dbText = (db: number): string => `${formatNumber(db)} dB`;

function turnedTo({ place, context }: CuePlace, wanted: readonly Wanted[]): ChannelPlan {
  const changes: ChannelChange[] = [];
  const settings = new Map<string, ReturnType<typeof settingSet>>();
  for (const { ear, valueDb } of wanted) {
    const volume = volumeOf(context, ear.headphones.id);
    if (volume === undefined) continue;
    const [left, right] = volume.sides;
    if (left.valueDb === valueDb && right.valueDb === valueDb) continue;
    for (const { knob } of volume.sides) {
      const key = settingKeyOf(volume.device.id, knob.setting, knob.channel);
      settings.set(key, settingSet(place, context.scene, key, valueDb));
    }
    changes.push({
      row: ear.headphones.name,
      column: 'volume',
      from: dbText(left.valueDb),
      to: dbText(valueDb),
    });
  }
  return { edits: [...settings.values()], changes, refused: [] };
}

const earsOf = ({ context }: CuePlace, cues: readonly CueId[] | undefined): readonly Ear[] =>
  ears(context).filter(({ cue }) => cue !== undefined && (cues === undefined || cues.includes(cue.id)));

/** Volumes of everybody on some cues, or all, down to the bottom. */
export const volumesToZero = (it: CuePlace, cues?: readonly CueId[]): ChannelPlan =>
  turnedTo(
    it,
    earsOf(it, cues).flatMap((ear) => {
      const volume = volumeOf(it.context, ear.headphones.id);
      return volume === undefined ? [] : [{ ear, valueDb: volume.min }];
    }),
  );

/** Volumes of the pairs that nobody wears down to the bottom. */
export function unwornMuted(it: CuePlace): ChannelPlan {
  const lying = earsOf(
    it,
    cuesIn(it.context.session, it.context.scene).map(({ id }) => id),
  ).filter((ear) => ear.isLying);
  return turnedTo(
    it,
    lying.flatMap((ear) => {
      const volume = volumeOf(it.context, ear.headphones.id);
      return volume === undefined ? [] : [{ ear, valueDb: volume.min }];
    }),
  );
}

/** The first sound: volumes of the pairs that are worn to where the ear has 75 dB SPL. */
export function volumesAtStart(it: CuePlace, cues?: readonly CueId[]): ChannelPlan {
  const refused: ChannelRefusal[] = [];
  const wanted = earsOf(it, cues)
    .filter((ear) => !ear.isLying)
    .flatMap((ear): readonly Wanted[] => {
      const start = startVolume(it.context, ear);
      if (start === undefined || start.wantedDb > start.volume.max + 0.05) {
        refused.push({
          ...{ at: refused.length, row: ear.headphones.name, column: 'volume' },
          sentence:
            start === undefined
              ? 'Nothing of known level reaches them, or their box has no volume. Give the lines a sound level, or turn it up by ear.'
              : `Even all the way up they reach ${start.dbSpl.toFixed(1)} of ${String(START_AT_EAR_DB_SPL)} dB SPL. Raise the amplifier or the sends.`,
        });
      }
      return start === undefined ? [] : [{ ear, valueDb: start.valueDb }];
    });
  return { ...turnedTo(it, wanted), refused };
}
