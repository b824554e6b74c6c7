import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { CannotStart } from './cannotStart';

const DEFAULT_PORT = 4747;
/** The studio network comes in at the next port, so that the own one is closed to it whatever happens. */
const DEFAULT_SHARE_PORT = 4748;

/** What the program was started with. */
export interface Options {
  readonly port: number;
  readonly sharePort: number;
  readonly folder: string;
  /** Puts the demo studio in, unless it is there. */
  readonly demo: boolean;
  /** Writes everything of the log, and to the terminal as well. */
  readonly verbose: boolean;
}

type Environment = Readonly<Record<string, string | undefined>>;

/** Where this user's studios live, unless FT_DATA says otherwise. */
export function dataFolder(environment: Environment): string {
  const base = environment['XDG_DATA_HOME'] ?? join(homedir(), '.local', 'share');
  return resolve(environment['FT_DATA'] ?? join(base, 'faithful-thread'));
}

function portNumber(environment: Environment, name: 'PORT' | 'FT_SHARE_PORT', otherwise: number): number {
  const port = Number(environment[name] ?? otherwise);
  if (Number.isInteger(port) && port > 0 && port < 65_536) return port;
  throw new CannotStart(`${name} is “${environment[name] ?? ''}”; it must be a number from 1 to 65535.`, 2);
}

/** Reads the command line and the environment. Throws `CannotStart` with the remedy. */
export const optionsOf = (argv: readonly string[], environment: Environment): Options => ({
  port: portNumber(environment, 'PORT', DEFAULT_PORT),
  sharePort: portNumber(environment, 'FT_SHARE_PORT', DEFAULT_SHARE_PORT),
  folder: dataFolder(environment),
  demo: argv.includes('--demo'),
  verbose: argv.includes('--verbose'),
});
