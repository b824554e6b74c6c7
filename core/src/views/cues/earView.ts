import type { CueMatrix } from '../../cues/cueSources';
import type { Ear, HeardSource } from '../../cues/ear';
import { startVolume } from '../../cues/startVolume';
import { spillOf } from '../../cues/spill';
import { volumeOf } from '../../cues/volume';
import { buildOf } from '../../cues/acoustic';
import type { CueId, DeviceId, PerformerId, ThreadId, TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { threadName } from '../../session/threadName';
import { formatOhm } from '../../units/format';

/** What of the desk takes a source away from an ear: a fader and a mute, a mute alone, or neither. */
export type FollowsDesk = 'fader and mute' | 'mute' | 'nothing';

/** One source as an ear has it. */
export interface HeardView {
  /** Its place among everything that sounds: the sides of a wide track have one name. */
  readonly index: number;
  readonly name: string;
  readonly levelDbSpl?: number;
  readonly delayMs: number;
  readonly isOwn: boolean;
  readonly isClick: boolean;
  /** Left out for what does not come by a send of the cue. */
  readonly follows?: FollowsDesk;
}

/** What reaches a microphone, and what was assumed for it. */
export interface SpillView {
  readonly microphone: DeviceId;
  readonly microphoneName: string;
  readonly line: string;
  readonly distanceM: number;
  readonly lossDb: number;
  readonly said: readonly string[];
  readonly clickDbSpl?: number;
  readonly sumDbSpl?: number;
  readonly sourceDbSpl?: number;
  readonly marginDb?: number;
}

/** The volume of a pair at its box. */
export interface VolumeView {
  readonly box: string;
  readonly valueDb: readonly [left: number, right: number];
  readonly isDown: boolean;
  /** Where it starts, and what the ear then has; left out where no level is known. */
  readonly start?: { readonly valueDb: number; readonly dbSpl: number };
}

/** One pair of headphones on a cue, as a screen, a paper or a file shows it. */
export interface EarView {
  readonly cue: CueId;
  readonly cueName: string;
  readonly headphones: DeviceId;
  readonly name: string;
  /** "64 Ω, closed". */
  readonly kind: string;
  readonly performer?: PerformerId;
  readonly performerName: string;
  readonly isLying: boolean;
  readonly volume?: VolumeView;
  readonly sumDbSpl?: number;
  readonly ownDbSpl?: number;
  /** Own sound over the rest, dB. */
  readonly ownOverRestDb?: number;
  readonly ownDelayMs?: number;
  readonly isLate: boolean;
  /** Of the wearer’s ears from what they play, where it was said. */
  readonly earDistanceM?: number;
  readonly clickDbSpl?: number;
  readonly talkbackDbSpl?: number;
  /** Talkback over the rest, dB. */
  readonly talkbackOverDb?: number;
  /** So far over the rest that it should be turned down before somebody presses the key. */
  readonly isTalkbackLoud: boolean;
  readonly acousticDbSpl?: number;
  readonly atEarDbSpl?: number;
  readonly hours?: number;
  readonly allowedHours?: number;
  readonly dose?: number;
  readonly isOverDose: boolean;
  readonly unknown: number;
  readonly heard: readonly HeardView[];
  readonly spill?: SpillView;
}

/** Talkback so far over everything else startles. Common practice, no source. */
const LOUD_TALKBACK_DB = 6;

/** How each source follows the desk, by its send in the cue. */
function followsOf(matrix: CueMatrix, cue: CueId): ReadonlyMap<string, FollowsDesk> {
  const column = matrix.columns.find((each) => each.cue.id === cue);
  const follows = new Map<string, FollowsDesk>();
  for (const [key, sends] of column?.sends ?? []) {
    const on = sends.find(({ send }) => send.isOn)?.send;
    if (on === undefined) continue;
    const follow = on.tap === 'post' ? 'fader and mute' : on.isMutedAlong ? 'mute' : 'nothing';
    follows.set(key, follow);
  }
  return follows;
}

const keyOf = (heard: { readonly thread?: ThreadId; readonly track?: TrackId }): string =>
  heard.thread === undefined ? `track:${heard.track ?? ''}` : `line:${heard.thread}`;

/** The names of everything that sounds in a scene, by its place among the sources. */
export function heardNames({ session, graph, field }: WorkedScene): readonly string[] {
  const lines = new Map<string, string>([
    ...session.threads.map((thread) => [thread.id, threadName(thread)] as const),
    ...session.tracks.map(({ id, name }) => [id, `${name}, played`] as const),
  ]);
  return field.sources.map(
    ({ thread, track, lane }) => lines.get(thread ?? track ?? '') ?? graph.lanes[lane]?.name ?? '',
  );
}

function heardView(
  names: readonly string[],
  heard: HeardSource,
  follows: ReadonlyMap<string, FollowsDesk>,
): HeardView {
  const follow = follows.get(keyOf(heard.source));
  return {
    ...{ index: heard.index, name: names[heard.index] ?? '', delayMs: heard.delayMs },
    ...{ isOwn: heard.isOwn, isClick: heard.isClick },
    ...(heard.levelDbSpl !== undefined && { levelDbSpl: heard.levelDbSpl }),
    ...(follow !== undefined && { follows: follow }),
  };
}

function spillView(context: WorkedScene, ear: Ear): SpillView | undefined {
  const spill = spillOf(context, ear);
  if (spill === undefined) return undefined;
  const thread = context.session.threads.find(({ id }) => id === spill.thread);
  const { isLying: _lying, isOpen: _open, thread: _thread, ...figures } = spill;
  return {
    ...figures,
    microphoneName: context.devices.get(spill.microphone)?.name ?? spill.microphone,
    line: thread === undefined ? '' : threadName(thread),
  };
}

function volumeView(context: WorkedScene, ear: Ear): VolumeView | undefined {
  const volume = volumeOf(context, ear.headphones.id);
  if (volume === undefined) return undefined;
  const [left, right] = volume.sides;
  const start = startVolume(context, ear);
  return {
    box: volume.device.name,
    valueDb: [left.valueDb, right.valueDb],
    isDown: left.valueDb <= volume.min && right.valueDb <= volume.min,
    ...(start !== undefined && { start: { valueDb: start.valueDb, dbSpl: start.dbSpl } }),
  };
}

const over = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined || !Number.isFinite(b) ? undefined : a - b;

/** Figures that are known, under their names. */
const figures = <F extends Readonly<Record<string, number | undefined>>>(
  all: F,
): { readonly [K in keyof F]?: number } =>
  Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as {
    readonly [K in keyof F]?: number;
  };

const louderFirst = (a: HeardView, b: HeardView): number =>
  (b.levelDbSpl ?? -Infinity) - (a.levelDbSpl ?? -Infinity);

/** How late they hear themself, the latest way. */
function ownDelayOf({ heard }: Ear): number | undefined {
  const own = heard.filter(({ isOwn }) => isOwn).map(({ delayMs }) => delayMs);
  return own.length === 0 ? undefined : Math.max(...own);
}

/** An ear in the words of a reader. @param names of everything that sounds. */
export function earView(
  context: WorkedScene,
  matrix: CueMatrix,
  names: readonly string[],
  ear: Ear,
): EarView | undefined {
  const { cue, headphones, performer } = ear;
  if (cue === undefined) return undefined;
  const follows = followsOf(matrix, cue.id);
  const ownDelayMs = ownDelayOf(ear);
  const talkbackOverDb = over(ear.talkbackDbSpl, ear.sumDbSpl);
  const [volume, spill] = [volumeView(context, ear), spillView(context, ear)];
  return {
    ...{ cue: cue.id, cueName: cue.name, headphones: headphones.id, name: headphones.name },
    kind: `${formatOhm(Number(headphones.params['impedanceOhm']))}, ${buildOf(headphones)}`,
    ...(performer !== undefined && { performer: performer.id }),
    performerName: performer?.name ?? '',
    ...{ isLying: ear.isLying, unknown: ear.unknown, isOverDose: (ear.dose ?? 0) > 1 },
    isLate: (ownDelayMs ?? 0) > (performer?.cueLimitMs ?? Infinity),
    isTalkbackLoud: (talkbackOverDb ?? 0) > LOUD_TALKBACK_DB,
    ...(volume !== undefined && { volume }),
    ...figures({
      ...{ sumDbSpl: ear.sumDbSpl, ownDbSpl: ear.ownDbSpl, clickDbSpl: ear.clickDbSpl },
      ownOverRestDb: over(ear.ownDbSpl, ear.restDbSpl),
      ownDelayMs,
      earDistanceM: performer?.earDistanceM,
      talkbackDbSpl: ear.talkbackDbSpl,
      talkbackOverDb,
      ...{ acousticDbSpl: ear.acousticDbSpl, atEarDbSpl: ear.atEarDbSpl },
      ...{ hours: performer?.hoursADay, allowedHours: ear.allowedHours, dose: ear.dose },
    }),
    heard: ear.heard.map((each) => heardView(names, each, follows)).sort(louderFirst),
    ...(spill !== undefined && { spill }),
  };
}
