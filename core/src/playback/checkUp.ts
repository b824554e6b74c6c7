import type { SignalGraph } from '../graph/signalGraph';
import { reach } from '../graph/reach';
import type { Device, Rig } from '../rig/rigSchema';
import type { SheetRow } from '../rig/sheets/channelSheet';
import type { PlaybackCheck } from '../session/playbackSchema';
import type { Session } from '../session/sessionSchema';
import type { ChannelFeed } from './channelFeed';
import { channelFeed, channelRows } from './channelFeed';
import type { CheckScene } from './checkScene';
import { checkScene } from './checkScene';
import type { RecorderTrack } from './recorderTracks';
import { recorderTracks } from './recorderTracks';
import type { TapFault } from './tapFault';
import { tapFault } from './tapFault';

/** One channel of a playback check: what is recorded of it, and what it plays back from. */
export interface CheckedChannel {
  readonly row: SheetRow;
  readonly live: ChannelFeed;
  readonly playback: ChannelFeed;
  /** The track that records what it listens to: one that takes it in clean, where there are several. */
  readonly recordedOn?: RecorderTrack;
  readonly fault?: TapFault | 'mixed';
  /** The tracks it is fed by while the recorder plays; none where it stays live. */
  readonly playsFrom: readonly RecorderTrack[];
  /** What comes back is not a recording but the stage, over a track that monitors its input. */
  readonly isMonitored: boolean;
  /** In playback it listens to something else than live, and no track plays there. */
  readonly isSilent: boolean;
}

/** Both scenes of a check with all of its channels; what the rig has lost is left out. */
export interface CheckUp {
  readonly check: PlaybackCheck;
  readonly console: Device;
  readonly recorder: Device;
  readonly live: CheckScene;
  readonly playback: CheckScene;
  /** The tracks as they stand in playback. */
  readonly tracks: readonly RecorderTrack[];
  readonly channels: readonly CheckedChannel[];
}

type Side = Pick<CheckUp, 'console'> & { readonly at: CheckScene; readonly tracks: readonly RecorderTrack[] };

/** A track with what arrives at it. */
interface Hearing {
  readonly track: RecorderTrack;
  readonly heard: ReadonlySet<number>;
}

type Tap = Pick<CheckedChannel, 'recordedOn' | 'fault'>;

/**
 * The track that records what a channel listens to. One that takes in other channels as well records a mix; of several
 * that take in this one alone, a clean one counts, and of those the one it plays from.
 * @param sources what all channels of the check listen to.
 */
function tapOf(
  { at, console, hearing }: Side & { readonly hearing: readonly Hearing[] },
  { row, live: { source } }: Feeds,
  sources: ReadonlySet<number>,
  playsFrom: readonly RecorderTrack[],
): Tap {
  if (source === undefined) return {};
  const all = hearing.filter(({ heard }) => heard.has(source));
  const alone = all.filter(({ heard }) => [...sources].filter((each) => heard.has(each)).length === 1);
  const taps = alone.map(({ track }): Tap & { readonly recordedOn: RecorderTrack } => {
    const fault = tapFault(at, { device: console, row, source, record: track.record });
    return { recordedOn: track, ...(fault !== undefined && { fault }) };
  });
  const clean = taps.filter(({ fault }) => fault === undefined);
  const played = clean.find(({ recordedOn }) => playsFrom.some(({ number }) => number === recordedOn.number));
  const [mix] = all;
  return (
    played ?? clean[0] ?? taps[0] ?? (mix === undefined ? {} : { recordedOn: mix.track, fault: 'mixed' })
  );
}

interface Feeds {
  readonly row: SheetRow;
  readonly live: ChannelFeed;
  readonly playback: ChannelFeed;
}

function checkedChannel(
  feeds: Feeds,
  live: Side & { readonly hearing: readonly Hearing[] },
  playback: Side,
  sources: ReadonlySet<number>,
): CheckedChannel {
  const { before, source } = feeds.playback;
  const playsFrom = playback.tracks.filter(({ play }) => before.has(play));
  const isMonitored = playback.tracks.some(({ record }) => before.has(record));
  const isSame = laneId(live.at.graph, feeds.live.source) === laneId(playback.at.graph, source);
  return {
    ...{ ...feeds, ...tapOf(live, feeds, sources, playsFrom), playsFrom, isMonitored },
    isSilent: !isSame && playsFrom.length === 0 && !isMonitored,
  };
}

/** Graphs of two scenes number lanes alike as long as their devices are; names hold in any case. */
const laneId = (graph: SignalGraph, lane: number | undefined): string | undefined =>
  graph.lanes[lane ?? -1]?.id;

/**
 * Follows every channel of a check through both of its scenes, by the graph alone.
 * @returns undefined where the rig has lost the console or the recorder, or the session a scene.
 */
export function checkUp(rig: Rig, session: Session, check: PlaybackCheck): CheckUp | undefined {
  const [console, recorder] = [check.console, check.recorder].map((id) =>
    rig.devices.find((device) => device.id === id),
  );
  const [live, playback] = [check.live, check.playback].map((id) => {
    const scene = session.scenes.find((each) => each.id === id);
    return scene && checkScene(rig, session, scene);
  });
  if (console === undefined || recorder === undefined || live === undefined || playback === undefined)
    return undefined;
  const [liveTracks, tracks] = [recorderTracks(live, recorder), recorderTracks(playback, recorder)];
  const sides: readonly [Side, Side] = [
    { console, at: live, tracks: liveTracks },
    { console, at: playback, tracks },
  ];
  return { check, console, recorder, live, playback, tracks, channels: checkedChannels(check, ...sides) };
}

function checkedChannels(check: PlaybackCheck, live: Side, playback: Side): readonly CheckedChannel[] {
  const rows = channelRows(live.console);
  const feeds = check.channels.flatMap((id): Feeds[] => {
    const row = rows.find((each) => each.id === id);
    const [now, then] = [live, playback].map((side) => row && channelFeed(side.at.graph, side.console, row));
    return row === undefined || now === undefined || then === undefined
      ? []
      : [{ row, live: now, playback: then }];
  });
  const sources = new Set(feeds.flatMap((each) => each.live.source ?? []));
  const hearing = live.tracks.map((track) => ({ track, heard: reach(live.at.graph, [track.record], 'to') }));
  return feeds.map((each) => checkedChannel(each, { ...live, hearing }, playback, sources));
}
