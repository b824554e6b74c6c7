import { reach } from '../graph/reach';
import { knobReader } from '../rig/buildDevice';
import { OWN_RECORDING, THE_COMPUTER } from '../rig/catalogue/digital/multitrackRecorder';
import type { Device } from '../rig/rigSchema';
import type { CheckedChannel, CheckUp } from './checkUp';
import type { RecorderTrack } from './recorderTracks';

/** What of a check does not match, with the channels or tracks it is about. */
export type CheckFault =
  | {
      readonly code:
        | 'not-listening'
        | 'not-recorded'
        | 'after-fader'
        | 'processed'
        | 'mixed'
        | 'other-track'
        | 'monitored'
        | 'silent';
      readonly channels: readonly CheckedChannel[];
    }
  /** All of these come back from a track that is so many further on than the one they are recorded on. */
  | { readonly code: 'shifted'; readonly channels: readonly CheckedChannel[]; readonly by: number }
  /** A recorder between plays something else than what is to be heard. */
  | { readonly code: 'wrong-switch'; readonly channels: readonly CheckedChannel[]; readonly device: Device }
  /** What these tracks record in playback is what the recorder plays. */
  | { readonly code: 'own-playback'; readonly tracks: readonly RecorderTrack[] }
  /** These would be overwritten while they play. */
  | { readonly code: 'armed'; readonly tracks: readonly RecorderTrack[] };

type OfChannels = Extract<CheckFault, { channels: unknown }>['code'];

const offsetOf = ({ recordedOn, playsFrom }: CheckedChannel): number => {
  const [from, other] = playsFrom;
  return from === undefined || recordedOn === undefined || other !== undefined
    ? 0
    : from.number - recordedOn.number;
};

/** A single recording of something else, or several at once, is another track; a whole row off by one is a shift. */
function trackFaults(channels: readonly CheckedChannel[]): readonly CheckFault[] {
  const moved = channels.filter((channel) => offsetOf(channel) !== 0);
  const [first] = moved;
  const by = first === undefined ? 0 : offsetOf(first);
  const several = channels.filter(({ playsFrom }) => playsFrom.length > 1);
  if (moved.length > 1 && moved.every((channel) => offsetOf(channel) === by))
    return [{ code: 'shifted', channels: moved, by }, ...named('other-track', several)];
  return named('other-track', [...moved, ...several]);
}

const named = (
  code: Exclude<OfChannels, 'shifted' | 'wrong-switch'>,
  channels: readonly CheckedChannel[],
): readonly CheckFault[] => (channels.length === 0 ? [] : [{ code, channels }]);

/** The recorder between a silent channel and what it listens to, where its switch stands otherwise than is needed. */
function wrongSwitch({ playback, recorder }: CheckUp): (channel: CheckedChannel) => Device | undefined {
  const recorders = playback.rig.devices.filter(({ type }) => type === 'multitrackRecorder');
  const wrong = recorders.filter((device) => {
    const needs = device.id === recorder.id ? OWN_RECORDING : THE_COMPUTER;
    return knobReader(device, playback.scene.settings)('plays', 1) !== needs;
  });
  return ({ playback: feed }) =>
    wrong.find((device) => [...feed.before].some((lane) => playback.graph.lanes[lane]?.device === device.id));
}

function silentFaults(up: CheckUp): readonly CheckFault[] {
  const silent = up.channels.filter(({ isSilent }) => isSilent);
  const wrong = wrongSwitch(up);
  const devices = [...new Set(silent.flatMap((channel) => wrong(channel) ?? []))];
  return [
    ...devices.map((device): CheckFault => ({
      ...{ code: 'wrong-switch', device },
      channels: silent.filter((channel) => wrong(channel) === device),
    })),
    ...named(
      'silent',
      silent.filter((channel) => wrong(channel) === undefined),
    ),
  ];
}

/** Tracks of the check as they stand in playback. */
const tracksUsed = ({ channels, tracks }: CheckUp): readonly RecorderTrack[] => {
  const numbers = new Set(
    channels.flatMap(({ recordedOn, playsFrom }) =>
      [recordedOn, ...playsFrom].flatMap((track) => track?.number ?? []),
    ),
  );
  return tracks.filter(({ number }) => numbers.has(number));
};

function recordingFaults(up: CheckUp): readonly CheckFault[] {
  if (up.channels.every(({ playsFrom }) => playsFrom.length === 0)) return [];
  const used = tracksUsed(up);
  const plays = new Set(up.tracks.map(({ play }) => play));
  const looped = used.filter(({ record }) =>
    [...reach(up.playback.graph, [record], 'to')].some((lane) => plays.has(lane)),
  );
  const armed = used.filter(({ isArmed }) => isArmed);
  return [
    ...(looped.length > 0 ? [{ code: 'own-playback', tracks: looped } as const] : []),
    ...(armed.length > 0 ? [{ code: 'armed', tracks: armed } as const] : []),
  ];
}

/** Everything of a check that does not match, the record tap first. */
export function checkFaults(up: CheckUp): readonly CheckFault[] {
  const { channels } = up;
  const withFault = (fault: CheckedChannel['fault']): readonly CheckedChannel[] =>
    channels.filter((channel) => channel.fault === fault);
  const listening = channels.filter(({ live }) => live.source !== undefined);
  return [
    ...named(
      'not-listening',
      channels.filter(({ live }) => live.source === undefined),
    ),
    ...named(
      'not-recorded',
      listening.filter(({ recordedOn }) => recordedOn === undefined),
    ),
    ...(['mixed', 'after-fader', 'processed'] as const).flatMap((code) => named(code, withFault(code))),
    ...trackFaults(channels),
    ...named(
      'monitored',
      channels.filter(({ isMonitored }) => isMonitored),
    ),
    ...silentFaults(up),
    ...recordingFaults(up),
  ];
}
