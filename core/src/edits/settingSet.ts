import * as z from 'zod';
import { sceneIdSchema, sessionIdSchema } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import { settingKeySchema } from '../rig/settings';
import type { Studio } from '../session/studioSchema';
import type { EditJson, EditKind } from './editKind';
import { sameValue } from './sameValue';
import type { Place } from './shelf';
import { inScene, onFloor, sceneOf } from './shelf';
import type { Applied } from './refusal';
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

/** Knobs while some are turned. Their order is put right once, at the end. */
type Standing = Map<SettingKey, SettingValue>;
const standing = (settings: Settings): Standing =>
  new Map(Object.entries(settings) as [SettingKey, SettingValue][]);
const settingsOf = (knobs: Standing): Settings =>
  Object.fromEntries([...knobs].sort(([a], [b]) => (a < b ? -1 : 1)));

/** Turns a knob. @returns what stands there instead, where that is neither what was expected nor what is wanted. */
function turn(
  knobs: Standing,
  { key, value: next, was }: KnobEdit,
): { now: SettingValue | null } | undefined {
  const now = knobs.get(key) ?? null;
  if (!sameValue(now, was) && !sameValue(now, next)) return { now };
  if (next === null) knobs.delete(key);
  else knobs.set(key, next);
  return undefined;
}

function applyRun(panel: Panel, studio: Studio, edits: readonly KnobEdit[]): Applied<Studio> {
  const [first] = edits;
  const settings = first && panel.get(studio, first);
  if (first === undefined || settings === undefined)
    return refused({ code: 'gone', what: 'scene', id: first?.scene ?? '' });
  const knobs = standing(settings);
  for (const edit of edits) {
    const clash = turn(knobs, edit);
    if (clash !== undefined)
      return refused({
        ...{ code: 'changed-elsewhere', what: 'setting', id: edit.key, field: '' },
        ...{ now: clash.now, wanted: edit.value },
      });
  }
  return applied(panel.put(studio, first, settingsOf(knobs)));
}

function invertRun(
  panel: Panel,
  before: Studio,
  edits: readonly (KnobEdit & EditJson)[],
): readonly EditJson[] {
  const [first] = edits;
  const knobs = standing((first && panel.get(before, first)) ?? {});
  const inverses = edits.map((edit): EditJson => {
    const back = { ...edit, value: knobs.get(edit.key) ?? null, was: edit.value };
    turn(knobs, edit);
    return back;
  });
  return inverses.reverse();
}

const knobEdit = <E extends KnobEdit & EditJson>(
  type: E['type'],
  schema: z.ZodType<E>,
  panel: Panel,
): EditKind<E> => ({
  type,
  schema,
  apply: (studio, edit) => applyRun(panel, studio, [edit]),
  invert: (before, edit): EditJson => ({
    ...edit,
    value: panel.get(before, edit)?.[edit.key] ?? null,
    was: edit.value,
  }),
  run: {
    isBeside: (one, other) => one.session === other.session && one.scene === other.scene,
    apply: (studio, edits) => applyRun(panel, studio, edits),
    invert: (before, edits) => invertRun(panel, before, edits),
  },
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
