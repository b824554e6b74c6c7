import type { ParseArgsConfig } from 'node:util';
import { parseArgs } from 'node:util';
import { BadInput } from './badInput';
import { USAGE } from './usage';

/** Splits a command line into words and options. Throws `BadInput` with the usage where an option is none. */
export function readArgs<const O extends NonNullable<ParseArgsConfig['options']>>(
  argv: readonly string[],
  options: O,
): ReturnType<typeof parseArgs<{ options: O; allowPositionals: true }>> {
  try {
    return parseArgs({ args: [...argv], options, allowPositionals: true });
  } catch (error) {
    throw new BadInput(`${error instanceof Error ? error.message : String(error)}\n\n${USAGE}`);
  }
}
