import type { ThreadId } from '../../rig/ids';

/** A place to pass: any of these lanes. */
export interface Goal {
  readonly lanes: ReadonlySet<number>;
}

/** What one thread needs of the space. */
export interface Demand {
  readonly thread: ThreadId;
  /** Its number among the demands of a routing. */
  readonly number: number;
  /** How many pins and inserts it asks for. */
  readonly asks: number;
  /** The lane it starts from. */
  readonly start: number;
  /** What it passes in order; the last is its end. */
  readonly goals: readonly Goal[];
  /** Points of ending at a lane of the last goal, Infinity where it may not; 0 without it. */
  readonly endCost?: (lane: number) => number;
}

/**
 * Threads that are routed as one: a single thread, or the sides of a wide one, whose ends sit on adjacent
 * DAW inputs.
 */
export interface Item {
  readonly demands: readonly Demand[];
  /** For wide items: the ends of each side, slot by slot. */
  readonly slots?: readonly (readonly number[])[];
}
