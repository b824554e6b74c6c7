import * as z from 'zod';
import { floorSchema, sceneRefSchema } from '../session/floorSchema';
import type { EditKind } from './editKind';
import { sameValue } from './sameValue';
import { applied, refused } from './refusal';

const type = z.literal('floor.set');
const since = floorSchema.shape.playbackSince.unwrap().nullable();

const schema = z.discriminatedUnion('field', [
  z.strictObject({
    ...{ type, field: z.literal('scene') },
    ...{ value: sceneRefSchema.nullable(), was: sceneRefSchema.nullable() },
  }),
  z.strictObject({ type, field: z.literal('playbackSince'), value: since, was: since }),
]);
type FloorSet = z.infer<typeof schema>;

const told = (value: FloorSet['value']): string | null =>
  value === null || typeof value === 'string' ? value : value.scene;

/**
 * `floor.set`: says which scene is being put on the floor, or since when a recorder plays into a console; null is
 * none, as when everything comes out.
 */
export const floorSet: EditKind<FloorSet> = {
  type: 'floor.set',
  schema,
  apply(studio, { field, value, was }) {
    const now = studio.floor[field] ?? null;
    if (!sameValue(now, was) && !sameValue(now, value))
      return refused({
        ...{ code: 'changed-elsewhere', what: 'floor', id: 'floor', field },
        ...{ now: told(now), wanted: told(value) },
      });
    const { [field]: _old, ...others } = studio.floor;
    return applied({
      ...studio,
      floor: { ...others, ...(value !== null && { [field]: value }) },
    });
  },
  invert: (before, edit) => ({ ...edit, value: before.floor[edit.field] ?? null, was: edit.value }),
};
