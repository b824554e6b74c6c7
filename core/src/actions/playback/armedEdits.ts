import type { Edit } from '../../edits/make';
import { editAdd, editSet } from '../../edits/make';
import type { RecorderTrack } from '../../playback/recorderTracks';
import type { SceneId } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import { findScene } from '../../session/scenePlace';
import type { WorkPlace } from '../workPlace';
import { knobTurn } from './knobTurn';
import { armKey } from './recorderSwitch';

/** A host track armed or not in one scene, its input never monitored: the console is heard, not the way round. */
function hostTrack(
  { studio, place: { session } }: WorkPlace,
  scene: SceneId,
  track: RecorderTrack,
  isArmed: boolean,
) {
  const found = findScene(studio, { session, scene });
  const { track: id } = track;
  if (found === undefined || id === undefined) return [];
  const state = found.scene.trackStates?.find((each) => each.id === id);
  const at = { session, scene };
  if (state === undefined)
    return [editAdd('trackState', at, { id, recordArm: isArmed, inputMonitor: false })];
  const { recordArm, inputMonitor } = state;
  return [
    ...(recordArm === isArmed
      ? []
      : [editSet('trackState', at, id, { field: 'recordArm', value: isArmed, was: recordArm })]),
    ...(inputMonitor
      ? [editSet('trackState', at, id, { field: 'inputMonitor', value: false, was: inputMonitor })]
      : []),
  ];
}

/** Arms tracks of a recorder in a scene, or takes the arming away. */
export const armedEdits = (
  it: WorkPlace,
  scene: SceneId,
  recorder: Device,
  tracks: readonly RecorderTrack[],
  isArmed: boolean,
): readonly Edit[] =>
  tracks.flatMap((track) =>
    track.track === undefined
      ? knobTurn(it, scene, armKey(recorder, track.number), isArmed).edits
      : hostTrack(it, scene, track, isArmed),
  );
