import * as z from 'zod';
import { sceneIdSchema, sessionIdSchema } from '../rig/ids';
import { settingKeySchema } from '../rig/settings';
import type { EditKind } from './editKind';
import { sameValue } from './sameValue';
import { inScene, sceneOf } from './shelf';
import { applied, refused } from './refusal';

const value = z.union([z.number(), z.boolean()]).nullable();

const schema = z.strictObject({
  type: z.literal('setting.set'),
  session: sessionIdSchema,
  scene: sceneIdSchema,
  key: settingKeySchema,
  /** null puts the knob back to its initial value. */
  value,
  was: value,
});
type SettingSet = z.infer<typeof schema>;

/** `setting.set`: turns one knob or switch of a device for one scene. */
export const settingSet: EditKind<SettingSet> = {
  type: 'setting.set',
  schema,
  apply(studio, edit) {
    const scene = sceneOf(studio, edit);
    if (scene === undefined) return refused({ code: 'gone', what: 'scene', id: edit.scene });
    const now = scene.settings[edit.key] ?? null;
    if (!sameValue(now, edit.was) && !sameValue(now, edit.value))
      return refused({
        code: 'changed-elsewhere',
        what: 'setting',
        id: edit.key,
        field: '',
        now,
        wanted: edit.value,
      });
    const { [edit.key]: _old, ...others } = scene.settings;
    const next = edit.value === null ? others : { ...others, [edit.key]: edit.value };
    const sorted = Object.fromEntries(Object.entries(next).sort(([a], [b]) => (a < b ? -1 : 1)));
    return applied(inScene(studio, edit, (at) => ({ ...at, settings: sorted })));
  },
  invert: (before, edit) => ({
    ...edit,
    value: sceneOf(before, edit)?.settings[edit.key] ?? null,
    was: edit.value,
  }),
};
