import { trackPort } from '../graph/dawTracks';
import { knobReader } from '../rig/buildDevice';
import type { TrackId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import { byNumber } from '../session/byNumber';
import { tracksIn } from '../session/daw/tracksIn';
import type { CheckScene } from './checkScene';

/** One mono track of a recorder. */
export interface RecorderTrack {
  /** Counted from 1 over all tracks, in their order. */
  readonly number: number;
  /** What its host calls it; a recorder of its own has numbers only. */
  readonly name: string;
  /** Where what is recorded arrives, and where what was recorded starts from, in the graph. */
  readonly record: number;
  readonly play: number;
  readonly isArmed: boolean;
  readonly track?: TrackId;
}

const SIDES = ['left', 'right'];

function hostTracks({ session, scene, graph }: CheckScene, host: Device): readonly RecorderTrack[] {
  const sides = [...tracksIn(session, scene)]
    .filter(({ kind }) => kind === 'audio')
    .sort(byNumber)
    .flatMap((track) => Array.from({ length: track.width }, (_, i) => ({ track, side: i + 1 })));
  return sides.flatMap(({ track, side }, i): RecorderTrack[] => {
    const [record, play] = (['in', 'play'] as const).map((point) =>
      graph.laneIndex.get(laneIdOf(host.id, trackPort(track, point), side)),
    );
    if (record === undefined || play === undefined) return [];
    const name = track.width === 1 ? track.name : `${track.name} ${SIDES[side - 1] ?? String(side)}`;
    return [{ number: i + 1, name, record, play, isArmed: track.recordArm, track: track.id }];
  });
}

function ownTracks({ scene, graph }: CheckScene, recorder: Device): readonly RecorderTrack[] {
  const read = knobReader(recorder, scene.settings);
  const tracks: RecorderTrack[] = [];
  for (let number = 1; ; number++) {
    const [record, play] = ['track', 'play'].map((port) =>
      graph.laneIndex.get(laneIdOf(recorder.id, port, number)),
    );
    if (record === undefined || play === undefined) return tracks;
    const isArmed = read('recordArm', number) === true;
    tracks.push({ number, name: `track ${String(number)}`, record, play, isArmed });
  }
}

/** The tracks of a recorder in a scene: those of the host, or of a recorder of its own. */
export const recorderTracks = (at: CheckScene, recorder: Device): readonly RecorderTrack[] =>
  recorder.type === 'dawHost' ? hostTracks(at, recorder) : ownTracks(at, recorder);

/** Whether a device can record and play a playback check. */
export const canRecord = ({ type }: Device): boolean => type === 'dawHost' || type === 'multitrackRecorder';
