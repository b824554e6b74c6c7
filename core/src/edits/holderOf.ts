import type { ListHolder, ListRow } from '../session/lists';
import { LISTS } from '../session/lists';

/** What is set by edits of its own, and is no list. */
const SINGLE: Readonly<Record<string, ListHolder>> = {
  studio: 'studio',
  setting: 'scene',
  floorSetting: 'floor',
  floor: 'floor',
};

/** What an edit changes, by its type. */
export function holderOf(type: string): ListHolder | undefined {
  const [name = ''] = type.split('.');
  return (LISTS as Readonly<Record<string, ListRow>>)[name]?.in ?? SINGLE[name];
}
