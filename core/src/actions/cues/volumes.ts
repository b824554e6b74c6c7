import type { Ear } from '../../cues/ear';
import { ears } from '../../cues/ear';
import type { StartVolume } from '../../cues/startVolume';
import { startVolume, START_AT_EAR_DB_SPL } from '../../cues/startVolume';
import { volumeOf } from '../../cues/volume';
import type { CueId } from '../../rig/ids';
import { settingKeyOf } from '../../rig/settings';
import { formatNumber } from '../../units/format';
import type { ChannelChange, ChannelPlan, ChannelRefusal } from '../consoles/channelPlan';
import { settingSet } from '../patchEdits';
import type { WorkPlace } from '../workPlace';

/** Pairs whose volumes are to stand somewhere. */
interface Wanted {
  readonly ear: Ear;
  readonly valueDb: number;
}

/** A knob is set to its tenth. */
const NEAR_DB = 0.05;

const dbText = (db: number): string => `${formatNumber(db)} dB`;

function turnedTo({ place, context }: WorkPlace, wanted: readonly Wanted[]): ChannelPlan {
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

const earsOf = ({ context }: WorkPlace, cues: readonly CueId[] | undefined): readonly Ear[] =>
  ears(context).filter(({ cue }) => cue !== undefined && (cues === undefined || cues.includes(cue.id)));

/** The volumes of some ears down to the bottom. */
const down = (it: WorkPlace, some: readonly Ear[]): ChannelPlan =>
  turnedTo(
    it,
    some.flatMap((ear) => {
      const volume = volumeOf(it.context, ear.headphones.id);
      return volume === undefined ? [] : [{ ear, valueDb: volume.min }];
    }),
  );

/** Volumes of everybody on some cues, or all, down to the bottom. */
export const volumesToZero = (it: WorkPlace, cues?: readonly CueId[]): ChannelPlan =>
  down(it, earsOf(it, cues));

/** Volumes of the pairs that nobody wears down to the bottom. */
export const unwornMuted = (it: WorkPlace): ChannelPlan =>
  down(
    it,
    earsOf(it, undefined).filter((ear) => ear.isLying),
  );

/** What is to be told of a pair that does not come to its start; undefined where it does. */
function offStart(start: StartVolume | undefined): string | undefined {
  if (start === undefined)
    return 'Nothing of known level reaches them, or their box has no volume. Give the lines a sound level, or turn it up by ear.';
  const { wantedDb, volume, dbSpl } = start;
  const figures = `${dbSpl.toFixed(1)} of ${String(START_AT_EAR_DB_SPL)} dB SPL`;
  if (wantedDb > volume.max + NEAR_DB)
    return `Even all the way up they reach ${figures}. Raise the amplifier or the sends.`;
  if (wantedDb < volume.min - NEAR_DB)
    return `Even all the way down they have ${figures}. Keep them off heads, and turn the amplifier or the sends down.`;
  return undefined;
}

/** The first sound: volumes of the pairs that are worn to where the ear has 75 dB SPL. */
export function volumesAtStart(it: WorkPlace, cues?: readonly CueId[]): ChannelPlan {
  const worn = earsOf(it, cues)
    .filter((ear) => !ear.isLying)
    .map((ear) => ({ ear, start: startVolume(it.context, ear) }));
  const refused = worn.flatMap(({ ear, start }, at): readonly ChannelRefusal[] => {
    const sentence = offStart(start);
    return sentence === undefined ? [] : [{ at, row: ear.headphones.name, column: 'volume', sentence }];
  });
  const wanted = worn.flatMap(({ ear, start }) =>
    start === undefined ? [] : [{ ear, valueDb: start.valueDb }],
  );
  return { ...turnedTo(it, wanted), refused };
}
