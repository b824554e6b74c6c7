import type { SettingKey, SettingValue } from './settings';

type Settings = Readonly<Record<SettingKey, SettingValue>>;

/** Settings after some knobs were turned; null puts one back to its initial place. */
export function settingsWith(
  settings: Settings,
  turned: Iterable<readonly [SettingKey, SettingValue | null]>,
): Settings {
  const after: Record<SettingKey, SettingValue> = { ...settings };
  for (const [key, value] of turned) {
    if (value === null) Reflect.deleteProperty(after, key);
    else after[key] = value;
  }
  return after;
}
