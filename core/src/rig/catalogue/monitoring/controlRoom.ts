import type { LaneKey, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { gainKnob, onOff, selector, TRIM_RANGE } from '../knobs';
import { numbersTo } from '../params';
import { active, crosspoint, knobsAt } from '../routeKinds';

type Pair = readonly [left: LaneKey, right: LaneKey];

/** The part of a console or a box of its own that feeds the loudspeakers. */
export interface ControlRoom {
  readonly sources: readonly Pair[];
  /** Inside lanes between the selector and the speaker switch. */
  readonly room: Pair;
  readonly speakers: readonly Pair[];
  readonly outputNoiseDbu: number;
  readonly read: ReadSetting;
}

const DIM_DB = -20;

/** A level trim for each source and each set, so that switching between them does not change the loudness. */
export function controlRoomKnobs(sources: readonly string[], speakerSets: number): readonly SettingSpec[] {
  return [
    selector('monitorSource', 'Control room listens to', 1, sources, 1),
    gainKnob('sourceTrimDb', 'Trim of source', sources.length, 0, TRIM_RANGE),
    gainKnob('monitorLevelDb', 'Control room level', 1, -20, { min: -80, max: 10 }),
    onOff('dim', 'Dim', 1),
    onOff('cut', 'Cut', 1),
    onOff('mono', 'Mono', 1),
    selector(
      'speakerSet',
      'Loudspeakers',
      1,
      numbersTo(speakerSets).map((n) => `set ${n}`),
      1,
    ),
    gainKnob('speakerTrimDb', 'Trim of loudspeaker set', speakerSets, 0, TRIM_RANGE),
  ];
}

/** The chosen source, to both sides alike where mono is pressed. */
function sourceRoutes({ sources, room, read }: ControlRoom): readonly Route[] {
  const chosen = Number(read('monitorSource', 1));
  const pair = sources[chosen - 1];
  if (pair === undefined) return [];
  const trimDb = Number(read('sourceTrimDb', chosen));
  const knobs = [...knobsAt(1, 'monitorSource', 'mono'), ...knobsAt(chosen, 'sourceTrimDb')];
  if (read('mono', 1) !== true)
    return room.map((to, i) => crosspoint(pair[i] ?? pair[0], to, trimDb, { knobs }));
  // Two sides added at half voltage each: what is alike in both keeps its level.
  return room.flatMap((to) =>
    pair.map((from) => crosspoint(from, to, trimDb + 20 * Math.log10(0.5), { knobs })),
  );
}

/** From the sources to the chosen loudspeakers. */
export function controlRoom(it: ControlRoom): readonly Route[] {
  const { speakers, room, read, outputNoiseDbu } = it;
  const set = Number(read('speakerSet', 1));
  const pair = read('cut', 1) === true ? undefined : speakers[set - 1];
  const level = Number(read('monitorLevelDb', 1)) + (read('dim', 1) === true ? DIM_DB : 0);
  const gainDb = level + Number(read('speakerTrimDb', Math.max(set, 1)));
  const knobs = [
    ...knobsAt(1, 'monitorLevelDb', 'dim', 'cut', 'speakerSet'),
    ...knobsAt(Math.max(set, 1), 'speakerTrimDb'),
  ];
  const out = (pair ?? []).map((to, i) =>
    active(room[i] ?? room[0], to, gainDb, { outputNoise: outputNoiseDbu, knobs }),
  );
  return [...sourceRoutes(it), ...out];
}
