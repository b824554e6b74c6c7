import type { Destination } from './trackSchema';

/** The numbers of the host outputs that a destination of a track so wide takes; none where it is a bus. */
export const hostOutputsOf = (to: Destination, trackWidth: number): readonly number[] =>
  to.to === 'host' ? Array.from({ length: to.width ?? trackWidth }, (_, side) => to.first + side) : [];
