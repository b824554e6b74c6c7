import type { Preference } from '../session/preferences';

/** What one unit of each preference costs, in points. */
export type Weights = Readonly<Record<Preference, number>>;

/** One hop, so that of two ways alike the shorter is taken. */
export const HOP_POINTS = 1;
/** A unit of the last preference. */
const LAST_POINTS = 64;
/** How many units of the next preference a unit outweighs. */
const STEP = 4;
/** A closed crosspoint is a press of a button; a cord is a walk to the bay. */
export const CROSSPOINT_PER_CORD = 0.125;
/** Metres of cord that make a unit. */
export const METRES_PER_UNIT = 10;

/**
 * Points by preference. Each outweighs four of the next and none is forbidden by another, so a long way
 * round is not taken to spare one small thing. Common practice, no source: only the order is the user's.
 */
export const weightsOf = (order: readonly Preference[]): Weights =>
  Object.fromEntries(
    order.map((preference, rank) => [preference, LAST_POINTS * STEP ** (order.length - 1 - rank)]),
  ) as Record<Preference, number>;

/** What a cord costs that is plugged already, besides the normals it opens. */
export const keptCordPoints = (weights: Weights, lengthM: number): number =>
  weights['few-cords'] + (weights['short-cords'] * lengthM) / METRES_PER_UNIT;

/** What a cord costs that has to be plugged. */
export const newCordPoints = (weights: Weights, lengthM: number): number =>
  weights.keep + keptCordPoints(weights, lengthM);
