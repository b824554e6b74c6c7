import * as z from 'zod';
import { sceneIdSchema, sessionIdSchema } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import { settingKeySchema } from '../rig/settings';
import type { Studio } from '../session/studioSchema';
import type { EditJson, EditKind } from './editKind';
import { sameValue } from './sameValue';
import type { Place } from './shelf';
import { inScene, onFloor, sceneOf } from './shelf';
import { applied, refused } from './refusal';

type Settings = Readonly<Record<SettingKey, SettingValue>>;

const value = z.union([z.number(), z.boolean()]).nullable();
const knob = {
  key: settingKeySchema,
  /** null puts the knob back to its initial value. */
  value,
  was: value,
};
interface KnobEdit extends Place {
  readonly type: string;
  readonly key: SettingKey;
  readonly value: SettingValue | null;
  readonly was: SettingValue | null;
}

/** Where the knobs of an edit stand: in a scene, or on the floor. */
interface Panel {
  get(studio: Studio, place: Place): Settings | undefined;
  put(studio: Studio, place: Place, settings: Settings): Studio;
}

function turned(settings: Settings, { key, value: next }: KnobEdit): Settings {
  const { [key]: _old, ...others } = settings;
  const all = next === null ? others : { ...others, [key]: next };
  return Object.fromEntries(Object.entries(all).sort(([a], [b]) => (a < b ? -1 : 1)));
}

const knobEdit = <E extends KnobEdit & EditJson>(
  type: E['type'],
  schema: z.ZodType<E>,
  panel: Panel,
): EditKind<E> => ({
  type,
  schema,
  apply(studio, edit) {
    const settings = panel.get(studio, edit);
    if (settings === undefined) return refused({ code: 'gone', what: 'scene', id: edit.scene ?? '' });
    const now = settings[edit.key] ?? null;
    if (!sameValue(now, edit.was) && !sameValue(now, edit.value))
      return refused({
        code: 'changed-elsewhere',
        what: 'setting',
        id: edit.key,
        field: '',
        now,
        wanted: edit.value,
      });
    return applied(panel.put(studio, edit, turned(settings, edit)));
  },
  invert: (before, edit): EditJson => ({
    ...edit,
    value: panel.get(before, edit)?.[edit.key] ?? null,
    was: edit.value,
  }),
});

const inSceneSchema = z.strictObject({
  type: z.literal('setting.set'),
  session: sessionIdSchema,
  scene: sceneIdSchema,
  ...knob,
});

/** `setting.set`: turns one knob or switch of a device for one scene. */
export const settingSet = knobEdit('setting.set', inSceneSchema, {
  get: (studio, place) => sceneOf(studio, place)?.settings,
  put: (studio, place, settings) => inScene(studio, place, (scene) => ({ ...scene, settings })),
});

/** `floorSetting.set`: a knob or switch somebody has really turned. */
export const floorSettingSet = knobEdit(
  'floorSetting.set',
  z.strictObject({ type: z.literal('floorSetting.set'), ...knob }),
  {
    get: (studio) => studio.floor.settings,
    put: (studio, _place, settings) => onFloor(studio, { settings }),
  },
);
