import { LIST_NAMES } from '../session/lists';
import { addEdit } from './addEdit';
import type { EditJson, EditKind } from './editKind';
import { floorSet } from './floorSet';
import { removeEdit } from './removeEdit';
import { setEdit } from './setEdit';
import { floorSettingSet, settingSet } from './settingSet';
import type { Shelf } from './shelf';
import { shelfOf } from './shelf';
import { studioSet } from './studioSet';

type AnyKind = EditKind<EditJson>;

/** Adding, changing and removing, for one shelf. */
const onShelf = (shelf: Shelf): readonly AnyKind[] =>
  [addEdit(shelf), setEdit(shelf), removeEdit(shelf)] as unknown as readonly AnyKind[];

/** Every kind of edit there is. */
export const EDIT_KINDS: readonly AnyKind[] = [
  studioSet,
  ...LIST_NAMES.flatMap((name) => onShelf(shelfOf(name))),
  settingSet,
  floorSettingSet,
  floorSet,
];

const byType: ReadonlyMap<string, AnyKind> = new Map(EDIT_KINDS.map((kind) => [kind.type, kind]));

/** The kind of an edit type, or undefined. */
export const editKindNamed = (type: string): AnyKind | undefined => byType.get(type);
