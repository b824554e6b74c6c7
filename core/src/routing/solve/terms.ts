/** How a search treats what others claim. */
export interface Terms {
  /** Points for each claim that stands against a step; Infinity keeps clear of all. */
  readonly perConflict: number;
  /** Counts every place somebody holds, and not only the first on the way they share. */
  readonly everyHeldPlace?: boolean;
  /** Resources (with a value, or whole) that may not be used; see `banKey`. */
  readonly bans?: ReadonlySet<number>;
  /** Ends that count; all of the goal without it. */
  readonly ends?: (lane: number) => boolean;
  /** Ways that cost this much or more are of no interest. */
  readonly below?: number;
}

/** Terms on which a way keeps clear of all others. */
export const CLEAR: Terms = { perConflict: Infinity };

const WHOLE = -2;
const ANY_JACK = -1;

/** A banned use: of a resource with one value, or of the resource altogether. */
export const banKey = (resource: number, value = WHOLE): number => resource * 0x2000000 + value + 2;

/** Something off the hook that may not be taken: for the cord from one jack, or for any. */
export const banThingKey = (thing: number, jack = ANY_JACK): number => -2 - (thing * 0x2000000 + jack + 1);
