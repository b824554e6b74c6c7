import { problemSentence } from './problemWording';
import type { Refusal } from '../edits/refusal';

/** So much of a value is told; the data of a device can be very long. */
const MOST_SAID = 300;

const cut = (text: string): string => (text.length > MOST_SAID ? `${text.slice(0, MOST_SAID)} …` : text);

const shown = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? 'empty'
    : typeof value === 'string'
      ? `“${cut(value)}”`
      : cut(JSON.stringify(value));

/** A refusal names the first few places; they usually have one cause. */
const MOST_PROBLEMS = 3;

/** What is on the floor is found gone, or there already, when two people ticked the same step. */
const isOnFloor = (refusal: Refusal): boolean =>
  (refusal.code === 'gone' || refusal.code === 'already-there') &&
  (refusal.what === 'plug' || refusal.what === 'precaution');

/** What happened to a refused edit and what to do, for the person who made it. */
export function refusalSentence(refusal: Refusal): string {
  if (isOnFloor(refusal)) return 'Somebody has done this step already. Go on with the next one.';
  switch (refusal.code) {
    case 'gone':
      return `The ${refusal.what} was removed meanwhile. Your text is kept; add it again if you need it.`;
    case 'already-there':
      return `A ${refusal.what} with the same id is already there. Try again.`;
    case 'changed-elsewhere':
      return refusal.field === ''
        ? `Somebody else changed this ${refusal.what} meanwhile; it is ${shown(refusal.now)} now. Look again before you change it.`
        : `Somebody else changed ${refusal.field} of this ${refusal.what} to ${shown(refusal.now)} meanwhile. Your ${shown(refusal.wanted)} is kept beside it; enter it again to overrule.`;
    case 'would-break':
      return refusal.problems
        .slice(0, MOST_PROBLEMS)
        .map((problem, i) => `${refusal.places[i] ?? ''}: ${problemSentence(problem)}`)
        .join(' ');
  }
}
