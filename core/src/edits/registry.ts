import { addEdit } from './addEdit';
import type { EditJson, EditKind } from './editKind';
import { removeEdit } from './removeEdit';
import { setEdit } from './setEdit';
import { settingSet } from './settingSet';
import type { Shelf } from './shelf';
import { SHELVES } from './shelf';
import { studioSet } from './studioSet';

type AnyKind = EditKind<EditJson>;

/** Adding, changing and removing, for one shelf. */
const onShelf = (shelf: Shelf): readonly AnyKind[] =>
  [addEdit(shelf), setEdit(shelf), removeEdit(shelf)] as unknown as readonly AnyKind[];

/** Every kind of edit there is. */
export const EDIT_KINDS: readonly AnyKind[] = [
  studioSet as unknown as AnyKind,
  ...onShelf(SHELVES.room as unknown as Shelf),
  ...onShelf(SHELVES.device as unknown as Shelf),
  ...onShelf(SHELVES.hardwire as unknown as Shelf),
  ...onShelf(SHELVES.stock as unknown as Shelf),
  ...onShelf(SHELVES.session as unknown as Shelf),
  ...onShelf(SHELVES.thread as unknown as Shelf),
  ...onShelf(SHELVES.scene as unknown as Shelf),
  ...onShelf(SHELVES.waiver as unknown as Shelf),
  ...onShelf(SHELVES.cord as unknown as Shelf),
  settingSet as unknown as AnyKind,
];

const byType: ReadonlyMap<string, AnyKind> = new Map(EDIT_KINDS.map((kind) => [kind.type, kind]));

/** The kind of an edit type, or undefined. */
export const editKindNamed = (type: string): AnyKind | undefined => byType.get(type);
