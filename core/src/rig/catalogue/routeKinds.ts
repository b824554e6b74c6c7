import type { KnobRef, LaneKey, Route } from '../deviceModel';

export const laneAt = (port: string, lane = 1): LaneKey => ({ port, lane });

type More = Omit<Route, 'from' | 'to' | 'kind' | 'gainDb'>;

/** Electronics between two lanes. */
export const active = (from: LaneKey, to: LaneKey, gainDb: number, more: More = {}): Route => ({
  from,
  to,
  kind: 'active',
  gainDb,
  ...more,
});

/** A connection the session chose on a matrix, a bus or a selector. */
export const crosspoint = (from: LaneKey, to: LaneKey, gainDb: number, more: More = {}): Route => ({
  from,
  to,
  kind: 'crosspoint',
  gainDb,
  ...more,
});

/** Plain copper. */
export const wire = (from: LaneKey, to: LaneKey): Route => ({ from, to, kind: 'wire', gainDb: 0 });

/** Knobs of one channel, as routes and stations refer to them. */
export const knobsAt = (channel: number, ...settings: readonly string[]): readonly KnobRef[] =>
  settings.map((setting) => ({ setting, channel }));
