import type { KnobRef, LaneKey, Route } from '../../deviceModel';
import { active } from '../routeKinds';

/** A break in a path of a console: out at `send`, back in at `return`. */
export interface InsertPoint {
  readonly before: LaneKey;
  readonly send: LaneKey;
  readonly back: LaneKey;
  readonly after: LaneKey;
  /** False where a switch takes the return out of the path. */
  readonly switchedIn: boolean;
  readonly knobs?: readonly KnobRef[];
}

/**
 * The send is always live. With the return switched in, the path goes on inside until something sits in
 * the return: then only what comes back is heard. Common practice, no source.
 */
export function insertRoutes({
  before,
  send,
  back,
  after,
  switchedIn,
  knobs = [],
}: InsertPoint): readonly Route[] {
  const out = active(before, send, 0);
  if (!switchedIn) return [out, active(before, after, 0, { knobs })];
  return [out, active(before, after, 0, { unlessPlugged: [back], knobs }), active(back, after, 0, { knobs })];
}
