import { compareScenes } from '../scenes/compareScenes';
import type { CheckedChannel, CheckUp } from '../../playback/checkUp';
import { checkFaults } from '../../playback/checkFaults';
import { checkUp } from '../../playback/checkUp';
import { lineOf } from '../../playback/lineOf';
import type { HeldKnob } from '../../playback/gainsHeld';
import { gainsHeld, trimsHeld } from '../../playback/gainsHeld';
import type { PlaybackState } from '../../playback/playbackState';
import { playbackState } from '../../playback/playbackState';
import { laneSum } from '../../levels/laneSum';
import { knobOf } from '../../repatch/knobs';
import { knobText, knobTitle } from '../../rig/knobText';
import type { PlaybackCheckId, SceneId, ThreadId } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import type { WorkedScene } from '../../scene/workedScene';
import { workedScene } from '../../scene/workedScene';
import type { Scene, Thread } from '../../session/sessionSchema';
import { formatDb, formatGain } from '../../units/format';
import type { CheckPoint } from './checkPoints';
import { checkPoints } from './checkPoints';

/** A channel of a check as a line: what it takes in live, where that is recorded, and what it plays. */
export interface ChannelLine {
  readonly row: string;
  readonly channel: string;
  readonly line: string;
  readonly performer: string;
  readonly thread?: ThreadId;
  /** What it listens to live. */
  readonly input: string;
  /** The track that records it; empty where none does. */
  readonly track: string;
  readonly tap: string;
  /** What it listens to in playback, as the recorder calls it, or "the stage". */
  readonly plays: string;
  readonly isPlaying: boolean;
  readonly isWrong: boolean;
}

/** A gain or pad turned in playback. */
export interface HeldLine {
  readonly key: SettingKey;
  readonly channel: string;
  readonly knob: string;
  readonly from: string;
  readonly to: string;
}

/** A digital trim turned in playback, and the gain that would do the same on stage. */
export interface TrimLine extends HeldLine {
  readonly gain: string;
  /** Headroom behind the converter on stage now, and with the gain; empty where no level is known. */
  readonly headroom: string;
  readonly isOutOfRange: boolean;
}

/** A trainee’s scene, and what they changed. */
export interface TraineeLine {
  readonly scene: SceneId;
  readonly name: string;
  readonly story: readonly string[];
}

/** One playback check, worked out. */
export interface CheckView {
  readonly id: PlaybackCheckId;
  readonly name: string;
  readonly console: string;
  readonly recorder: string;
  readonly live: { readonly id: SceneId; readonly name: string };
  readonly playback: { readonly id: SceneId; readonly name: string };
  /** How the scene that is shown stands. */
  readonly state: PlaybackState;
  /** Whether its tracks are armed live. */
  readonly isArmed: boolean;
  readonly points: readonly CheckPoint[];
  readonly channels: readonly ChannelLine[];
  readonly gains: readonly HeldLine[];
  readonly trims: readonly TrimLine[];
  readonly trainees: readonly TraineeLine[];
}

/** A check whose console, recorder or scenes are gone. */
export interface LostCheck {
  readonly id: PlaybackCheckId;
  readonly name: string;
}

export interface PlaybackView {
  readonly checks: readonly CheckView[];
  readonly lost: readonly LostCheck[];
}

const TAP: Readonly<Record<NonNullable<CheckedChannel['fault']>, string>> = {
  'after-fader': 'behind the fader',
  processed: 'behind processing',
  mixed: 'with others',
};

const named = ({ source, performer }: Thread): string => [source, performer].filter(Boolean).join(', ');

function channelLine(up: CheckUp, channel: CheckedChannel): ChannelLine {
  const { row, live, recordedOn, fault, playsFrom, isMonitored, isSilent } = channel;
  const line = lineOf(up.live, live);
  const [plays] = playsFrom;
  const isWrong =
    recordedOn === undefined ||
    fault !== undefined ||
    isSilent ||
    isMonitored ||
    (plays !== undefined && (playsFrom.length > 1 || plays.number !== recordedOn.number));
  return {
    ...{ row: row.id, channel: row.name, line: line === undefined ? '' : named(line) },
    ...(line !== undefined && { thread: line.id }),
    performer: line?.performer ?? '',
    input: up.live.graph.lanes[live.source ?? -1]?.name ?? 'nothing',
    track: recordedOn?.name ?? '',
    tap: fault !== undefined ? TAP[fault] : recordedOn === undefined ? '' : 'at the input',
    plays:
      playsFrom.length > 0
        ? playsFrom.map(({ name }) => name).join(' and ')
        : isMonitored
          ? 'the stage, by way of the host'
          : isSilent
            ? 'nothing'
            : 'the stage',
    isPlaying: playsFrom.length > 0,
    isWrong,
  };
}

function heldLine(up: CheckUp, { channel, key, from, to }: HeldKnob): HeldLine {
  const knob = knobOf(up.live.rig, key);
  const text = (value: HeldKnob['from']): string => (knob === undefined ? '' : knobText(knob.spec, value));
  return {
    ...{ key, channel: channel.row.name, from: text(from), to: text(to) },
    knob: knob === undefined ? '' : `${knob.device.name} ${knobTitle(knob.spec, knob.channel)}`,
  };
}

/** Trims with what the gain in their place does to the room behind the converter, in the live scene. */
function trimLines({ rig, session, floor }: WorkedScene, up: CheckUp): readonly TrimLine[] {
  const held = trimsHeld(up);
  if (held.length === 0) return [];
  const { field } = workedScene(rig, session, up.live.scene, floor);
  return held.map((trim): TrimLine => {
    const { gain, channel, isOutOfRange } = trim;
    const peak = channel.live.source === undefined ? undefined : laneSum(field, channel.live.source).peak;
    const rise = gain.to - gain.from;
    return {
      ...heldLine(up, trim),
      gain: `${formatGain(gain.from)} → ${formatGain(gain.to)} dB`,
      headroom: peak === undefined ? '' : `${formatDb(-peak)} → ${formatDb(-peak - rise)}`,
      isOutOfRange,
    };
  });
}

const refOf = ({ id, name }: Scene): { readonly id: SceneId; readonly name: string } => ({ id, name });

function checkView(context: WorkedScene, up: CheckUp): CheckView {
  const { session, rig } = context;
  const { check, live, playback } = up;
  const base = { session, scene: playback.scene };
  return {
    ...{ id: check.id, name: check.name, console: up.console.name, recorder: up.recorder.name },
    ...{ live: refOf(live.scene), playback: refOf(playback.scene) },
    state: playbackState(context, check).state,
    isArmed: up.channels.some(({ recordedOn }) => recordedOn?.isArmed === true),
    points: checkPoints(context, up, checkFaults(up)),
    channels: up.channels.map((channel) => channelLine(up, channel)),
    gains: gainsHeld(up).map((held) => heldLine(up, held)),
    trims: trimLines(context, up),
    trainees: session.scenes
      .filter(({ trains, archived }) => trains === playback.scene.id && archived !== true)
      .map((scene) => ({
        ...{ scene: scene.id, name: scene.name },
        story: compareScenes(rig, base, { session, scene }).story,
      })),
  };
}

/** Every playback check of the session, and how the scene that is shown stands to each. */
export function playbackView(context: WorkedScene): PlaybackView {
  const { rig, session } = context;
  const found = session.playbackChecks.map((check) => ({ check, up: checkUp(rig, session, check) }));
  return {
    checks: found.flatMap(({ up }) => (up === undefined ? [] : [checkView(context, up)])),
    lost: found.flatMap(({ check, up }) => (up === undefined ? [{ id: check.id, name: check.name }] : [])),
  };
}
