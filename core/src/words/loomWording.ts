import type { LoomProblem } from '../typed/wiring/loom';
import { rowProblemSentence } from '../typed/wiring/rowText';

/** What keeps a loom from being drawn, and what would do. */
export function loomProblemSentence(problem: LoomProblem): string {
  switch (problem.code) {
    case 'from':
    case 'to':
      return rowProblemSentence(problem.problem);
    case 'counts-differ':
      return `${problem.from} outputs do not go one to one into ${problem.to} inputs. Name as many of each, only the first of one side, or let the outputs repeat.`;
    case 'does-not-repeat':
      return `${problem.to} inputs cannot be shared out evenly between ${problem.from} outputs. Name a multiple of ${problem.from}.`;
    case 'spills-over':
      return `${problem.row} has ${problem.left} from there on, but ${problem.wanted} are needed. Start earlier, or name fewer.`;
  }
}
