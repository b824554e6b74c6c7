import type { LaneKey, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { HALF_EACH_DB } from '../../../units/panLaw';
import { gainKnob, onOff, selector, TRIM_RANGE } from '../knobs';
import { numbersTo } from '../params';
import { active, crosspoint, knobsAt } from '../routeKinds';

/** Lanes by the loudspeaker they are meant for: "left", "centre". */
export type Speakers = readonly { readonly name: string; readonly lane: LaneKey }[];

export const stereo = (left: LaneKey, right: LaneKey): Speakers => [
  { name: 'left', lane: left },
  { name: 'right', lane: right },
];

/** The part of a console or a box of its own that feeds the loudspeakers. */
export interface ControlRoom {
  readonly sources: readonly Speakers[];
  /** Inside lanes between the selector and the speaker switch: left, right, and what the widest set has besides. */
  readonly room: Speakers;
  readonly sets: readonly Speakers[];
  readonly outputNoiseDbu?: number;
  readonly read: ReadSetting;
}

const DIM_DB = -20;

/** A level trim for each source and each set, so that switching between them does not change the loudness. */
export function controlRoomKnobs(
  sources: readonly string[],
  speakerSets: number,
  initialSource = 1,
): readonly SettingSpec[] {
  const names = numbersTo(speakerSets).map((n) => `set ${n}`);
  return [
    selector('monitorSource', 'Control room listens to', 1, sources, initialSource),
    gainKnob('sourceTrimDb', 'Trim of source', sources.length, 0, TRIM_RANGE),
    gainKnob('monitorLevelDb', 'Control room level', 1, -20, { min: -80, max: 10 }),
    onOff('dim', 'Dim', 1),
    onOff('cut', 'Cut', 1),
    onOff('mono', 'Mono', 1),
    selector('speakerSet', 'Loudspeakers', 1, names, 1),
    gainKnob('speakerTrimDb', 'Trim of loudspeaker set', speakerSets, 0, TRIM_RANGE),
  ];
}

const named = (speakers: Speakers, name: string): LaneKey | undefined =>
  speakers.find((each) => each.name === name)?.lane;

/** Left and right, which every room has. */
const frontOf = (room: Speakers): readonly LaneKey[] =>
  ['left', 'right'].flatMap((name) => named(room, name) ?? []);

/** The chosen source, speaker by speaker; its whole on left and right alike where mono is pressed. */
function sourceRoutes({ sources, room, read }: ControlRoom): readonly Route[] {
  const chosen = Number(read('monitorSource', 1));
  const source = sources[chosen - 1];
  if (source === undefined) return [];
  const trimDb = Number(read('sourceTrimDb', chosen));
  const knobs = [...knobsAt(1, 'monitorSource', 'mono'), ...knobsAt(chosen, 'sourceTrimDb')];
  if (read('mono', 1) !== true)
    return source.flatMap(({ name, lane }) => {
      const to = named(room, name);
      return to === undefined ? [] : [crosspoint(lane, to, trimDb, { knobs })];
    });
  // What is alike in all of them keeps its level.
  const shareDb = -20 * Math.log10(source.length);
  return frontOf(room).flatMap((to) =>
    source.map(({ lane }) => crosspoint(lane, to, trimDb + shareDb, { knobs })),
  );
}

/** What each loudspeaker of a set plays of the room; one that stands alone plays both sides. */
function feeds(set: Speakers, room: Speakers): readonly { from: LaneKey; to: LaneKey; gainDb: number }[] {
  const [only] = set;
  if (set.length === 1 && only !== undefined)
    return frontOf(room).map((from) => ({ from, to: only.lane, gainDb: HALF_EACH_DB }));
  return set.flatMap(({ name, lane }) => {
    const from = named(room, name);
    return from === undefined ? [] : [{ from, to: lane, gainDb: 0 }];
  });
}

/** From the sources to the chosen loudspeakers. */
export function controlRoom(it: ControlRoom): readonly Route[] {
  const { sets, room, read, outputNoiseDbu } = it;
  const set = Number(read('speakerSet', 1));
  const chosen = read('cut', 1) === true ? undefined : sets[set - 1];
  const level = Number(read('monitorLevelDb', 1)) + (read('dim', 1) === true ? DIM_DB : 0);
  const levelDb = level + Number(read('speakerTrimDb', Math.max(set, 1)));
  const knobs = [
    ...knobsAt(1, 'monitorLevelDb', 'dim', 'cut', 'speakerSet'),
    ...knobsAt(Math.max(set, 1), 'speakerTrimDb'),
  ];
  const out = feeds(chosen ?? [], room).map(({ from, to, gainDb }) =>
    active(from, to, levelDb + gainDb, {
      ...(outputNoiseDbu !== undefined && { outputNoise: outputNoiseDbu }),
      knobs,
    }),
  );
  return [...sourceRoutes(it), ...out];
}
