import { addEdit } from './addEdit';
import type { EditJson, EditKind } from './editKind';
import { floorSet } from './floorSet';
import { removeEdit } from './removeEdit';
import { setEdit } from './setEdit';
import { floorSettingSet, settingSet } from './settingSet';
import type { Shelf } from './shelf';
import { SHELVES } from './shelf';
import { studioSet } from './studioSet';

type AnyKind = EditKind<EditJson>;

/** Adding, changing and removing, for one shelf. */
const onShelf = (shelf: Shelf): readonly AnyKind[] =>
  [addEdit(shelf), setEdit(shelf), removeEdit(shelf)] as unknown as readonly AnyKind[];

/** Every kind of edit there is. */
export const EDIT_KINDS: readonly AnyKind[] = [
  studioSet,
  ...onShelf(SHELVES.room),
  ...onShelf(SHELVES.device),
  ...onShelf(SHELVES.hardwire),
  ...onShelf(SHELVES.stock),
  ...onShelf(SHELVES.adaptor),
  ...onShelf(SHELVES.fault),
  ...onShelf(SHELVES.plug),
  ...onShelf(SHELVES.precaution),
  ...onShelf(SHELVES.session),
  ...onShelf(SHELVES.thread),
  ...onShelf(SHELVES.scene),
  ...onShelf(SHELVES.waiver),
  ...onShelf(SHELVES.cord),
  ...onShelf(SHELVES.track),
  ...onShelf(SHELVES.bus),
  ...onShelf(SHELVES.performer),
  ...onShelf(SHELVES.reading),
  settingSet,
  floorSettingSet,
  floorSet,
];

const byType: ReadonlyMap<string, AnyKind> = new Map(EDIT_KINDS.map((kind) => [kind.type, kind]));

/** The kind of an edit type, or undefined. */
export const editKindNamed = (type: string): AnyKind | undefined => byType.get(type);
