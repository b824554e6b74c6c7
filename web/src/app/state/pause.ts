/** The first time a server that does not answer is asked again, ms; each pause is twice the one before. */
const FIRST_MS = 1500;
const LONGEST_MS = 30_000;

/**
 * How long to wait before asking again.
 * @param attempt how many were made in vain, from 1.
 */
export const pauseMs = (attempt: number): number =>
  Math.min(LONGEST_MS, FIRST_MS * 2 ** Math.min(attempt - 1, 10));
