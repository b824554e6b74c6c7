import type { RoomId } from '../rig/ids';
import { ALL_NORMALS } from './floorScene';
import { repatch } from './repatch';
import type { Step } from './step';
import type { Scene, Session } from '../session/sessionSchema';
import type { Studio } from '../session/studioSchema';
import type { ScenePlace } from '../session/scenePlace';
import { findScene } from '../session/scenePlace';

/** What is wanted: a scene, or all normals. */
export interface Target {
  readonly session: Session;
  readonly scene: Scene;
}

/** The scene of a place, or all normals in its session. */
export function targetOf(studio: Studio, place: ScenePlace, isTeardown: boolean): Target | undefined {
  const found = findScene(studio, place);
  return found && isTeardown ? { ...found, scene: ALL_NORMALS } : found;
}

/** The steps from the floor to a target, as data. */
export const stepsTo = ({ rig, floor }: Studio, { session, scene }: Target, here?: RoomId): readonly Step[] =>
  repatch(rig, session, floor, scene, here);
