import { BadInput } from './badInput';
import { readArgs } from './readArgs';
import { USAGE } from './usage';

const COMMANDS = ['backup', 'restore', 'verify'] as const;

/** A command on the data of the program: which file or folder, and when it was asked for. */
export interface DataRequest {
  readonly command: (typeof COMMANDS)[number];
  readonly target?: string;
  readonly into?: string;
  readonly json: boolean;
  readonly now: string;
}

const OPTIONS = {
  into: { type: 'string' },
  json: { type: 'boolean', default: false },
} as const;

/** Reads a command line; undefined where its command is about bundles. Throws `BadInput` with the remedy. */
export function readDataRequest(argv: readonly string[], now: string): DataRequest | undefined {
  const command = COMMANDS.find((word) => word === argv[0]);
  if (command === undefined) return undefined;
  const { values, positionals } = readArgs(argv.slice(1), OPTIONS);
  const [target, ...rest] = positionals;
  if (rest.length > 0) throw new BadInput(USAGE);
  const { into, json } = values;
  return { command, json, now, ...(target && { target }), ...(into && { into }) };
}
