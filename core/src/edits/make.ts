import type { PinRole } from '../rig/deviceModel';
import type { SceneId, SessionId, StationId } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import type { Floor } from '../session/floorSchema';
import type { ItemOf, ListName, LISTS } from '../session/lists';
import type { EditJson } from './editKind';

declare const made: unique symbol;

/** An edit that a maker of this file made, so that its list, fields and values are those of the schema. */
export interface Edit extends EditJson {
  readonly [made]: true;
}

type HolderOf<N extends ListName> = (typeof LISTS)[N]['in'];

/** What an edit has to say of where its list stands. */
export type PlaceOf<N extends ListName> =
  HolderOf<N> extends 'scene'
    ? { readonly session: SessionId; readonly scene: SceneId }
    : HolderOf<N> extends 'session'
      ? { readonly session: SessionId }
      : object;

/** A field that may be left out is emptied with null: JSON has no undefined. */
type OrNull<T> = undefined extends T ? Exclude<T, undefined> | null : T;
type Read<T> = T extends (infer E)[] ? readonly E[] : T;

/** Fields inside a field, which have edits of their own so that two people do not disturb each other. */
interface InnerFields {
  readonly thread: { readonly [F in `pins.${PinRole}`]: StationId | null };
  readonly device: { readonly [F in `params.labels.${string}`]: string | null };
}
type Fields<N extends ListName> = {
  readonly [F in Exclude<keyof ItemOf<N> & string, 'id'>]: Read<OrNull<ItemOf<N>[F]>>;
} & (N extends keyof InnerFields ? InnerFields[N] : unknown);

/** One field of a thing, what it is to be, and what the editor saw. */
export type FieldChange<N extends ListName> = {
  readonly [F in keyof Fields<N>]: {
    readonly field: F;
    readonly value: Fields<N>[F];
    readonly was: Fields<N>[F];
  };
}[keyof Fields<N>];

const edit = (type: string, fields: object): Edit => ({ type, ...fields }) as Edit;

/** Puts a thing on its list. */
export const editAdd = <N extends ListName>(list: N, place: PlaceOf<N>, item: ItemOf<N>): Edit =>
  edit(`${list}.add`, { ...place, item });

/** Changes one field of a thing. */
export const editSet = <N extends ListName>(
  list: N,
  place: PlaceOf<N>,
  id: ItemOf<N>['id'],
  { field, value, was }: FieldChange<N>,
): Edit => edit(`${list}.set`, { ...place, id, field, value, was });

/**
 * Takes a thing off its list.
 * @param was what the remover saw: given, it is refused when somebody has changed it since.
 */
export const editRemove = <N extends ListName>(
  list: N,
  place: PlaceOf<N>,
  id: ItemOf<N>['id'],
  was?: ItemOf<N>,
): Edit => edit(`${list}.remove`, { ...place, id, ...(was !== undefined && { was }) });

interface Turn {
  readonly key: SettingKey;
  /** null puts the knob back to its initial place. */
  readonly value: SettingValue | null;
  readonly was: SettingValue | null;
}

/** Turns a knob or switch of a device for one scene. */
export const editKnob = ({ session, scene }: PlaceOf<'cord'>, { key, value, was }: Turn): Edit =>
  edit('setting.set', { session, scene, key, value, was });

/** A knob or switch that somebody has really turned. */
export const editFloorKnob = ({ key, value, was }: Turn): Edit =>
  edit('floorSetting.set', { key, value, was });

type FloorScene = NonNullable<Floor['scene']> | null;

/** Says which scene is being put on the floor; null is none. */
export const editFloorScene = (value: FloorScene, was: FloorScene): Edit =>
  edit('floor.set', { field: 'scene', value, was });

/** Says since when a recorder plays into a console on the floor; null is not at all. */
export const editFloorPlayback = (value: string | null, was: string | null): Edit =>
  edit('floor.set', { field: 'playbackSince', value, was });

/** Renames the studio. */
export const editStudioName = (value: string, was: string): Edit =>
  edit('studio.set', { field: 'name', value, was });

/**
 * A field whose value was read from what somebody typed, or taken over from a thing of the same list: which value
 * goes with which field is known to the reader only. The schema checks it once more when the edit is applied.
 */
export const fieldRead = <N extends ListName>(
  _list: N,
  field: FieldChange<N>['field'],
  value: unknown,
  was: unknown,
): FieldChange<N> => ({ field, value: value ?? null, was: was ?? null }) as FieldChange<N>;
