import type { RewireProblem } from '../typed/wiring/rewire';
import { rowProblemSentence } from '../typed/wiring/rowText';

/** What keeps wires from being moved, and what would do. */
export function rewireProblemSentence(problem: RewireProblem): string {
  switch (problem.code) {
    case 'row':
      return rowProblemSentence(problem.problem);
    case 'no-wires':
      return `No wire ends there (${problem.row}). Name lanes that are wired.`;
    case 'off-the-end':
      return `${problem.row} has no number ${problem.number} to move to. Shift by less.`;
    case 'counts-differ':
      return `${problem.first} lanes cannot change places with ${problem.second}. Name as many of each.`;
  }
}
