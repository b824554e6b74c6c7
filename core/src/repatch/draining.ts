import type { SettingKey } from '../rig/settings';
import type { Floor } from '../session/floorSchema';

const MARK = 'drain/';

/** What the floor keeps of a 48 V switch until its line has drained. */
export const drainId = (key: SettingKey): string => `${MARK}${key}`;

/** 48 V switches that were switched off for safety and whose lines have not been waited for. */
export const drainingOn = ({ precautions }: Pick<Floor, 'precautions'>): readonly SettingKey[] =>
  precautions.flatMap(({ id }) => (id.startsWith(MARK) ? [id.slice(MARK.length) as SettingKey] : []));
