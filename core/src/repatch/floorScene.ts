import type { CordId, SceneId } from '../rig/ids';
import type { Floor } from '../session/floorSchema';
import type { Cord, Scene, Session } from '../session/sessionSchema';

/** The floor as a scene, so that it can be compiled, traced and compared like any other. */
export const floorScene = ({ cords, settings, trackStates }: Floor): Scene => ({
  id: 'on-the-floor' as SceneId,
  name: 'On the floor',
  // A cord on the floor is known by its jack; as a scene it needs ids of the scene's kind.
  cords: cords.map(({ id, ...cord }, i): Cord => ({
    ...cord,
    id: `floor-${String(i + 1)}` as CordId,
    from: id,
  })),
  settings,
  ...(trackStates && { trackStates }),
});

/** The floor as it is once a scene is on it. */
export const floorOf = (session: Session, { id, cords, settings, trackStates }: Scene): Floor => ({
  scene: { session: session.id, scene: id },
  cords: cords.map(({ from, to, stock, fromAdaptor, toAdaptor }) => ({
    ...{ id: from, to, stock },
    ...(fromAdaptor && { fromAdaptor }),
    ...(toAdaptor && { toAdaptor }),
  })),
  settings,
  precautions: [],
  ...(trackStates && { trackStates }),
});

/** A scene with nothing plugged and every knob at its initial place: all normals. */
export const ALL_NORMALS: Scene = {
  id: 'all-normals' as SceneId,
  name: 'All normals',
  cords: [],
  settings: {},
};
