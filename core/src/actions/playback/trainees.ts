import type { Edit } from '../../edits/make';
import { editAdd, editRemove, editSet } from '../../edits/make';
import { turnsBetween } from '../../repatch/knobs';
import type { PlaybackCheckId, SceneId } from '../../rig/ids';
import type { NewSettings } from '../../routing/patch';
import { findScene } from '../../session/scenePlace';
import type { Scene } from '../../session/sessionSchema';
import type { ChannelPlan } from '../consoles/channelPlan';
import { patchEdits } from '../patchEdits';
import { newSceneEdits } from '../scenes/sceneEdits';
import type { WorkPlace } from '../workPlace';

const refusedBecause = (row: string, sentence: string): ChannelPlan => ({
  ...{ edits: [], changes: [] },
  refused: [{ at: 0, row, column: 'trainee', sentence }],
});

/** A scene of a trainee’s own: as the playback scene is, following nothing, so that nothing else moves with it. */
export function newTrainee(it: WorkPlace, id: PlaybackCheckId, name: string): ChannelPlan {
  const { session } = it.context;
  const check = session.playbackChecks.find((each) => each.id === id);
  const own = name.trim();
  if (check === undefined) return { edits: [], changes: [], refused: [] };
  if (own === '') return refusedBecause(check.name, 'Say who is to be trained.');
  if (session.scenes.some((scene) => scene.name.toLowerCase() === own.toLowerCase()))
    return refusedBecause(own, `There is a scene called “${own}” already. Give this one a name of its own.`);
  const made = newSceneEdits(it.studio, { ...it.place, scene: check.playback }, own, 'copy');
  if (made === undefined) return { edits: [], changes: [], refused: [] };
  const trains = editSet('scene', { session: session.id }, made.id, {
    ...{ field: 'trains', value: check.playback, was: null },
  });
  return {
    edits: [...made.edits, trains],
    changes: [{ row: 'Scenes', column: 'new scene', from: '', to: own }],
    refused: [],
  };
}

/** Arming and monitoring of one scene as it is in another. */
function statesEdits(it: WorkPlace, scene: Scene, base: Scene): readonly Edit[] {
  const at = { session: it.place.session, scene: scene.id };
  const [own, wanted] = [scene.trackStates ?? [], base.trackStates ?? []];
  const isThere = (list: Scene['trackStates'], id: string): boolean =>
    (list ?? []).some((state) => state.id === id);
  return [
    ...own.filter(({ id }) => !isThere(wanted, id)).map(({ id }) => editRemove('trackState', at, id)),
    ...wanted.filter(({ id }) => !isThere(own, id)).map((state) => editAdd('trackState', at, state)),
    ...wanted.flatMap(({ id, recordArm, inputMonitor }) => {
      const was = own.find((state) => state.id === id);
      return [
        ...(was === undefined || was.recordArm === recordArm
          ? []
          : [editSet('trackState', at, id, { field: 'recordArm', value: recordArm, was: was.recordArm })]),
        ...(was === undefined || was.inputMonitor === inputMonitor
          ? []
          : [
              editSet('trackState', at, id, {
                ...{ field: 'inputMonitor', value: inputMonitor, was: was.inputMonitor },
              }),
            ]),
      ];
    }),
  ];
}

/** Puts a trainee’s scene back to where it began: the scene it was made of, as that is now. */
export function resetTrainee(it: WorkPlace, id: SceneId): ChannelPlan {
  const { session } = it.place;
  const scene = findScene(it.studio, { session, scene: id })?.scene;
  const base = scene?.trains && findScene(it.studio, { session, scene: scene.trains })?.scene;
  if (scene === undefined || base === undefined) return { edits: [], changes: [], refused: [] };
  const settings: NewSettings = Object.fromEntries(
    turnsBetween(it.studio.rig, scene.settings, base.settings).map(({ key, value }) => [key, value]),
  );
  const edits = [
    ...patchEdits({ session, scene: id }, scene, base.cords, settings),
    ...statesEdits(it, scene, base),
  ];
  return {
    edits,
    changes:
      edits.length === 0 ? [] : [{ row: scene.name, column: 'scene', from: 'as it is', to: base.name }],
    refused: [],
  };
}
