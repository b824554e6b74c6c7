import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import { sessionsInOrder, templatesOf } from '@ft/core/session/sessionsInOrder';
import type { Studio } from '@ft/core/session/studioSchema';
import { BadInput } from './badInput';
import { named, studioIn } from './bundleFile';
import { readArgs } from './readArgs';
import { USAGE } from './usage';

export const COMMANDS = [
  'check',
  'trace',
  'levels',
  'route',
  'channels',
  'cues',
  'playback',
  'inserts',
  'summing',
] as const;
export type CommandName = (typeof COMMANDS)[number];

/** A command line that was understood, with the bundle read and the scene found. */
export interface CliRequest {
  readonly command: CommandName;
  readonly studio: Studio;
  readonly session: Session;
  readonly scene: Scene;
  readonly from?: string;
  readonly to?: string;
  readonly out?: string;
  /** Of `channels`: the device, whether a table is wanted, and the table that is read back. */
  readonly device?: string;
  readonly csv: boolean;
  /** Of `inserts`: the names of the host's inputs, outputs and inserts, as a table. */
  readonly names: boolean;
  readonly read?: string;
  /** Of `playback`: what does not hold is told by the exit code. */
  readonly mustHold: boolean;
  readonly json: boolean;
}

const OPTIONS = {
  session: { type: 'string' },
  scene: { type: 'string' },
  from: { type: 'string' },
  to: { type: 'string' },
  out: { type: 'string' },
  device: { type: 'string' },
  csv: { type: 'boolean', default: false },
  names: { type: 'boolean', default: false },
  read: { type: 'string' },
  check: { type: 'boolean', default: false },
  json: { type: 'boolean', default: false },
  help: { type: 'boolean', short: 'h', default: false },
} as const;

/** Reads a command line. Throws `BadInput` with the remedy in its message; undefined when help was asked for. */
export function readRequest(argv: readonly string[]): CliRequest | undefined {
  const { values, positionals } = readArgs(argv, OPTIONS);
  if (values.help) return undefined;
  const [word, file, ...rest] = positionals;
  const command = COMMANDS.find((candidate) => candidate === word);
  if (command === undefined || file === undefined || rest.length > 0) throw new BadInput(USAGE);
  const studio = studioIn(file);
  const session = named([...sessionsInOrder(studio), ...templatesOf(studio)], values.session, 'session');
  const scene = named(scenesInOrder(session), values.scene, 'scene');
  const { from, to, out, device, csv, names, read, json, check: mustHold } = values;
  return {
    command,
    studio,
    session,
    scene,
    json,
    ...{ csv, names },
    mustHold,
    ...(from && { from }),
    ...(to && { to }),
    ...(out && { out }),
    ...(device && { device }),
    ...(read && { read }),
  };
}
