import { BadInput } from './badInput';
import { readArgs } from './readArgs';
import { USAGE } from './usage';

export interface LogRequest {
  /** An archive, since a bundle has no log. */
  readonly file: string;
  readonly studio?: string;
  readonly session?: string;
  readonly as: 'text' | 'csv' | 'labels';
  readonly json: boolean;
}

const text = { type: 'string' } as const;
const flag = { type: 'boolean', default: false } as const;
const OPTIONS = { studio: text, session: text, csv: flag, labels: flag, json: flag } as const;

/** Reads `ft log …`; undefined where another command is meant. Throws `BadInput` with the remedy. */
export function readLogRequest(argv: readonly string[]): LogRequest | undefined {
  if (argv[0] !== 'log' || argv.includes('--help') || argv.includes('-h')) return undefined;
  const { values, positionals } = readArgs(argv.slice(1), OPTIONS);
  const [file, ...rest] = positionals;
  if (file === undefined || rest.length > 0) throw new BadInput(USAGE);
  const { studio, session, csv, labels, json } = values;
  return {
    ...{ file, json, as: csv ? 'csv' : labels ? 'labels' : 'text' },
    ...(studio !== undefined && { studio }),
    ...(session !== undefined && { session }),
  };
}
