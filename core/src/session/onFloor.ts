import type { Floor } from './floorSchema';
import type { Cord } from './sessionSchema';

/** Whether a cord a scene wants is really plugged. Which one of the hook it is does not matter here. */
export const isPlugged = ({ cords }: Floor, { from, to }: Pick<Cord, 'from' | 'to'>): boolean =>
  cords.some((cord) => cord.id === from && cord.to === to);
