import type { Track } from '../session/daw/trackSchema';

/** Hardware slots that no job put there, by their places from 0. */
export const slotsByHand = ({ inserts }: Pick<Track, 'inserts'>): readonly number[] =>
  inserts.flatMap((slot, i) => (slot?.kind === 'hardware' && slot.job === undefined ? [i] : []));
