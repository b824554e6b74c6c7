/** The point from which the level at the ear is taken to spread. Derived, point source. */
export const EAR_RADIUS_M = 0.05;

/** What headphones keep in: open 0 to 5 dB, closed 15 to 25 dB. Common practice, no source. */
export const TYPICAL_ISOLATION_DB = { open: 2.5, closed: 20 } as const;

/** What a pair that lies about loses because no ear closes it: 0 to 15 dB. Common practice, no source. */
export const TYPICAL_COUPLING_LOSS_DB = 7.5;

/** How far the microphone of whoever wears them stands, and one of somebody else. Common practice, no source. */
export const TYPICAL_OWN_DISTANCE_M = 0.3;
export const TYPICAL_OTHER_DISTANCE_M = 1.5;

/**
 * Sound level that headphones make at a distance, by inverse distance from the ear.
 * @param lossDb isolation of the build when they are worn, loss of coupling when they lie about.
 */
export const spillDbSpl = (earDbSpl: number, lossDb: number, distanceM: number): number =>
  earDbSpl - lossDb - 20 * Math.log10(distanceM / EAR_RADIUS_M);
