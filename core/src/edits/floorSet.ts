import * as z from 'zod';
import { sceneRefSchema } from '../session/floorSchema';
import type { EditKind } from './editKind';
import { sameValue } from './sameValue';
import { applied, refused } from './refusal';

const schema = z.strictObject({
  type: z.literal('floor.set'),
  field: z.literal('scene'),
  value: sceneRefSchema.nullable(),
  was: sceneRefSchema.nullable(),
});
type FloorSet = z.infer<typeof schema>;

/** `floor.set`: says which scene is being put on the floor; null is none, as when everything comes out. */
export const floorSet: EditKind<FloorSet> = {
  type: 'floor.set',
  schema,
  apply(studio, { value, was }) {
    const now = studio.floor.scene ?? null;
    if (!sameValue(now, was) && !sameValue(now, value))
      return refused({
        code: 'changed-elsewhere',
        what: 'floor',
        id: 'floor',
        field: 'scene',
        now: now?.scene ?? null,
        wanted: value?.scene ?? null,
      });
    const { scene: _old, ...others } = studio.floor;
    return applied({ ...studio, floor: { ...others, ...(value !== null && { scene: value }) } });
  },
  invert: (before, edit) => ({ ...edit, value: before.floor.scene ?? null, was: edit.value }),
};
