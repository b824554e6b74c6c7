import type { Answer } from './answer';
import { channels } from './channels';
import { check } from './check';
import { cues } from './cues';
import { levels } from './levels';
import { BadInput } from './badInput';
import { dataCommand } from './dataCommands';
import { readDataRequest } from './dataRequest';
import type { CliRequest, CommandName } from './request';
import { readRequest } from './request';
import { inserts } from './inserts';
import { log } from './log';
import { readLogRequest } from './logRequest';
import { playback } from './playback';
import { route } from './route';
import { sessions } from './sessions';
import { readSessionsRequest } from './sessionsRequest';
import { summing } from './summing';
import { trace } from './trace';
import { USAGE } from './usage';

const RUN: Record<CommandName, (request: CliRequest) => Answer> = {
  ...{ check, trace, levels, route, channels, cues, playback, inserts, summing },
};

type Say = (text: string) => void;

/** What went wrong as an exit code: bad input is told in words, and so is a fault of ours; 1 means findings. */
function refusal(error: unknown, complain: Say): 2 {
  if (error instanceof BadInput) complain(error.message);
  else
    complain(
      `The program made a mistake with this input (${error instanceof Error ? error.name : 'unknown'}). Nothing was written. Send us the file if you can.`,
    );
  return 2;
}

function answer({ text, json, exitCode }: Answer, wantsJson: boolean, print: Say): 0 | 1 {
  print(wantsJson ? JSON.stringify(json, null, 2) : text);
  return exitCode;
}

/** Runs a command on a bundle. Answers go to `print`, refusals to `complain`; returns the exit code. */
export function ft(argv: readonly string[], print: Say, complain: Say): 0 | 1 | 2 {
  try {
    const wanted = readSessionsRequest(argv);
    if (wanted !== undefined) return answer(sessions(wanted), wanted.json, print);
    const logged = readLogRequest(argv);
    if (logged !== undefined) return answer(log(logged), logged.json, print);
    const request = readRequest(argv);
    if (request === undefined) {
      print(USAGE);
      return 0;
    }
    return answer(RUN[request.command](request), request.json, print);
  } catch (error) {
    return refusal(error, complain);
  }
}

/** Runs a command on the data folder, as `ft` does one on a bundle; undefined where the command is none of these. */
export async function ftData(
  argv: readonly string[],
  now: string,
  print: Say,
  complain: Say,
): Promise<0 | 1 | 2 | undefined> {
  try {
    const request = readDataRequest(argv, now);
    if (request === undefined) return undefined;
    return answer(await dataCommand(request), request.json, print);
  } catch (error) {
    return refusal(error, complain);
  }
}
