import type { Edit, FieldChange } from '../../edits/make';
import { editSet, fieldRead } from '../../edits/make';
import type { SceneId } from '../../rig/ids';
import { followedBy } from '../../session/followProblems';
import { scenesInOrder } from '../../session/scenesInOrder';
import type { Scene, Session } from '../../session/sessionSchema';
import { sceneSchema } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { readOnOff } from '../../typed/settingText';
import { fittedText } from '../fittedCell';
import { repositionedBy } from '../movedItem';

/** What of a scene can be typed into its line. */
export type SceneField = 'name' | 'follows' | 'archived';

/** What is typed, and shown, where a scene follows none. */
export const STANDS_ALONE = 'stands alone';

/** Scenes a scene could follow: not itself, and none that follows it. */
export const basesOf = ({ scenes }: Session, scene: Scene): readonly Scene[] =>
  scenes.filter((base) => base !== scene && !followedBy(scenes, base).includes(scene));

function readBase(session: Session, scene: Scene, text: string): CellReading<unknown> {
  const typed = text.toLowerCase();
  if (typed === '' || typed === STANDS_ALONE) return value(null);
  const bases = basesOf(session, scene);
  const base = bases.find(({ name }) => name.toLowerCase() === typed);
  if (base !== undefined) return value(base.id);
  const names = bases.map(({ name }) => name).join(', ');
  return refuse(
    `“${text}” is no scene ${scene.name} could follow. ${names === '' ? 'There is none.' : `There are: ${names}.`}`,
  );
}

function read(session: Session, scene: Scene, field: SceneField, text: string): CellReading<unknown> {
  if (field === 'name') return fittedText(sceneSchema.shape.name, text);
  if (field === 'follows') return readBase(session, scene, text);
  const away = readOnOff('put away', text);
  return away.ok ? value(away.value || null) : away;
}

/** A text for a cell of the list of scenes. */
export function sceneCell(
  session: Session,
  scene: Scene,
  field: SceneField,
  typed: string,
): CellReading<readonly Edit[]> {
  const fits = read(session, scene, field, typed.trim());
  if (!fits.ok) return fits;
  const change: FieldChange<'scene'> = fieldRead('scene', field, fits.value, scene[field]);
  return value([editSet('scene', { session: session.id }, scene.id, change)]);
}

/**
 * Puts a scene elsewhere on the list: every scene then has a place of its own.
 * @param by how many places down, or up where negative; at the ends it stays.
 */
export const movedSceneEdits = (session: Session, id: SceneId, by: number): readonly Edit[] =>
  repositionedBy(scenesInOrder(session), id, by).map(({ item, value: position, was }) =>
    editSet('scene', { session: session.id }, item.id, { field: 'position', value: position, was }),
  );
