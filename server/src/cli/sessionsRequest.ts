import { BadInput } from './badInput';
import { readArgs } from './readArgs';
import { USAGE } from './usage';

/** What `ft sessions` does to a bundle, and what it is done to. */
export const SESSION_DEEDS = [
  'list',
  'new',
  'copy',
  'rename',
  'date',
  'live',
  'not-live',
  'put-away',
  'bring-back',
  'remove',
  'template',
  'take-over',
] as const;
export type SessionDeed = (typeof SESSION_DEEDS)[number];

export interface SessionsRequest {
  readonly file: string;
  readonly deed: SessionDeed;
  /** The session or template it is done to; of `new` the new name, of `take-over` the other bundle. */
  readonly target: string;
  readonly as?: string;
  readonly from?: string;
  readonly session?: string;
  /** The parts a template keeps, with commas. */
  readonly keep?: string;
  /** Devices that stand for others: “Theirs=Ours”. */
  readonly stand: readonly string[];
  readonly out?: string;
  readonly json: boolean;
}

const text = { type: 'string' } as const;
const OPTIONS = {
  ...{ as: text, from: text, session: text, keep: text, out: text },
  stand: { type: 'string', multiple: true },
  json: { type: 'boolean', default: false },
} as const;

const SESSIONS = 'sessions';

/** Reads `ft sessions …`; undefined where another command is meant. Throws `BadInput` with the remedy. */
export function readSessionsRequest(argv: readonly string[]): SessionsRequest | undefined {
  if (argv[0] !== SESSIONS || argv.includes('--help') || argv.includes('-h')) return undefined;
  const { values, positionals } = readArgs(argv.slice(1), OPTIONS);
  const [file, word = 'list', target = '', ...rest] = positionals;
  const deed = SESSION_DEEDS.find((each) => each === word);
  if (file === undefined || rest.length > 0) throw new BadInput(USAGE);
  if (deed === undefined)
    throw new BadInput(`“${word}” is nothing ft sessions does. It does: ${SESSION_DEEDS.join(', ')}.`);
  if (deed !== 'list' && target === '')
    throw new BadInput(`Say what to ${deed}: ft sessions FILE ${deed} NAME.`);
  const { stand = [], json, ...named } = values;
  return { file, deed, target, stand, json, ...named };
}
