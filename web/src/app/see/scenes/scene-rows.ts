import type { SceneField } from '@ft/core/actions/scenes/sceneCell';
import { basesOf, sceneCell, STANDS_ALONE } from '@ft/core/actions/scenes/sceneCell';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import { threadsIn } from '@ft/core/session/sessionSchema';
import type { TakingColumn } from '../../ui/sheet/cell-takers';

/** A scene as a row. */
export interface SceneRow {
  readonly session: Session;
  readonly scene: Scene;
  readonly isHere: boolean;
  readonly isOnFloor: boolean;
}

/** The scenes of a session in their order, put away ones last. */
export const sceneRows = (
  session: Session,
  here: Scene,
  floor: ScenePlace | undefined,
): readonly SceneRow[] =>
  scenesInOrder(session).map((scene) => ({
    session,
    scene,
    isHere: scene.id === here.id,
    isOnFloor: floor?.session === session.id && floor.scene === scene.id,
  }));

const typed =
  (field: SceneField) =>
  ({ session, scene }: SceneRow, text: string) =>
    sceneCell(session, scene, field, text);

export const SCENE_COLUMNS: readonly TakingColumn<SceneRow>[] = [
  {
    ...{ id: 'name', title: 'Scene', widthPx: 190, editor: 'text', isRequired: true },
    text: ({ scene }) => scene.name,
    take: typed('name'),
  },
  {
    ...{ id: 'follows', title: 'Follows', widthPx: 160, editor: 'choice' },
    hint: 'What changes there changes here, as long as both are alike at that place',
    text: ({ session, scene }) => session.scenes.find(({ id }) => id === scene.follows)?.name ?? STANDS_ALONE,
    choices: ({ session, scene }) => [STANDS_ALONE, ...basesOf(session, scene).map(({ name }) => name)],
    take: typed('follows'),
  },
  {
    ...{ id: 'lines', title: 'Lines', widthPx: 55, isFigure: true },
    text: ({ session, scene }) => String(threadsIn(session, scene).length),
  },
  {
    ...{ id: 'cords', title: 'Cords', widthPx: 55, isFigure: true },
    text: ({ scene }) => String(scene.cords.length),
  },
  {
    ...{ id: 'floor', title: 'On the floor', widthPx: 125 },
    text: ({ isOnFloor }) => (isOnFloor ? '✓ last put there' : ''),
  },
  {
    ...{ id: 'here', title: 'Open', widthPx: 80 },
    text: ({ isHere }) => (isHere ? 'open here' : ''),
  },
  {
    ...{ id: 'archived', title: 'Put away', widthPx: 70, editor: 'switch', isRequired: true },
    hint: 'Kept and comparable, but not offered at the top',
    text: ({ scene }) => (scene.archived === true ? 'on' : 'off'),
    take: typed('archived'),
  },
];
