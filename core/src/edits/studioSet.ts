import * as z from 'zod';
import { nameSchema } from '../rig/rigSchema';
import type { EditKind } from './editKind';
import { applied, refused } from './refusal';

const schema = z.strictObject({
  type: z.literal('studio.set'),
  field: z.literal('name'),
  value: nameSchema,
  was: nameSchema,
});
type StudioSet = z.infer<typeof schema>;

/** `studio.set`: renames the studio. */
export const studioSet: EditKind<StudioSet> = {
  type: 'studio.set',
  schema,
  apply(studio, { value, was }) {
    if (studio.name !== was && studio.name !== value)
      return refused({
        code: 'changed-elsewhere',
        what: 'studio',
        id: studio.id,
        field: 'name',
        now: studio.name,
        wanted: value,
      });
    return applied({ ...studio, name: value });
  },
  invert: (before, edit) => ({ ...edit, value: before.name, was: edit.value }),
};
