import type { Answer } from './answer';
import { check } from './check';
import { levels } from './levels';
import type { CliRequest, CommandName } from './request';
import { BadInput, readRequest } from './request';
import { route } from './route';
import { trace } from './trace';
import { USAGE } from './usage';

const RUN: Record<CommandName, (request: CliRequest) => Answer> = { check, trace, levels, route };

/** Runs one command line. Answers go to `print`, refusals to `complain`; returns the exit code. */
export function ft(
  argv: readonly string[],
  print: (text: string) => void,
  complain: (text: string) => void,
): 0 | 1 | 2 {
  try {
    const request = readRequest(argv);
    if (request === undefined) {
      print(USAGE);
      return 0;
    }
    const answer = RUN[request.command](request);
    print(request.json ? JSON.stringify(answer.json, null, 2) : answer.text);
    return answer.exitCode;
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    complain(error.message);
    return 2;
  }
}
