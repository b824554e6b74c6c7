import type { KnobRef, LaneKey, Route } from '../../deviceModel';
import type { SettingSpec } from '../../settings';
import type { PanLawDb } from '../../../units/panLaw';
import { panGainsDb, SILENT_DB } from '../../../units/panLaw';
import { crosspoint } from '../routeKinds';

/** A pan pot: -100 is full left. */
export const panKnob = (setting: string, title: string, channels: number): SettingSpec => ({
  setting,
  title,
  unit: '',
  channels,
  initial: 0,
  range: { min: -100, max: 100 },
});

/** A source on the two sides of a stereo bus. */
export interface Panned {
  readonly from: LaneKey;
  readonly to: readonly [left: LaneKey, right: LaneKey];
  readonly position: number;
  readonly law: PanLawDb;
  /** What is added to the gains of the law. */
  readonly levelDb?: number;
  readonly knobs: readonly KnobRef[];
}

/** A silent side has no route. */
export function panRoutes({ from, to, position, law, levelDb = 0, knobs }: Panned): readonly Route[] {
  const gains = panGainsDb(position, law);
  return to.flatMap((side, i) => {
    const gainDb = gains[i] ?? -Infinity;
    return gainDb < SILENT_DB ? [] : [crosspoint(from, side, gainDb + levelDb, { knobs })];
  });
}
