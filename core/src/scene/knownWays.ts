import type { ThreadId } from '../rig/ids';
import type { Obstacle } from '../routing/why/obstacle';
import type { LaneId } from '../rig/ids';

/** Where a proposed way would plug its cords. */
export interface ProposedCord {
  readonly from: LaneId;
  readonly to: LaneId;
}

/** For threads that do not run: the cords of the nearest free way, or what stands against it. */
export type NearestWays = ReadonlyMap<ThreadId, readonly ProposedCord[] | Obstacle>;

/** Ways as they were last looked for. */
export interface KnownWays {
  readonly ways: NearestWays;
  /** Something has changed since that may have changed them. */
  readonly stale: boolean;
}
