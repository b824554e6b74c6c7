import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { readBundle } from '@ft/core/formats/bundle';
import { decodeText } from '@ft/core/formats/decodeText';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import { problemLine } from '@ft/core/words/problemWording';
import type { Studio } from '@ft/core/session/studioSchema';
import { BadInput } from './badInput';
import { USAGE } from './usage';

export const COMMANDS = ['check', 'trace', 'levels', 'route'] as const;
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
  readonly json: boolean;
}

const OPTIONS = {
  session: { type: 'string' },
  scene: { type: 'string' },
  from: { type: 'string' },
  to: { type: 'string' },
  out: { type: 'string' },
  json: { type: 'boolean', default: false },
  help: { type: 'boolean', short: 'h', default: false },
} as const;

function parsed(
  argv: readonly string[],
): ReturnType<typeof parseArgs<{ options: typeof OPTIONS; allowPositionals: true }>> {
  try {
    return parseArgs({ args: [...argv], options: OPTIONS, allowPositionals: true });
  } catch (error) {
    throw new BadInput(`${error instanceof Error ? error.message : String(error)}\n\n${USAGE}`);
  }
}

function bytesOf(file: string): Buffer {
  try {
    return readFileSync(file);
  } catch {
    throw new BadInput(`There is no readable file “${file}”. Give the path of a *.thread.json bundle.`);
  }
}

function textOf(file: string): string {
  const decoded = decodeText(bytesOf(file));
  if (!decoded.ok) throw new BadInput(`${file} is not a usable bundle: it is no text.`);
  return decoded.text;
}

function studioIn(file: string): Studio {
  const reading = readBundle(textOf(file));
  if (reading.ok) return reading.studio;
  const lines = reading.problems.map((problem) => `  ${problemLine(problem)}`);
  throw new BadInput(`${file} is not a usable bundle:\n${lines.join('\n')}`);
}

/** Finds a session or scene by name or id; without one asked for, the first. */
function named<T extends { readonly id: string; readonly name: string }>(
  items: readonly T[],
  wanted: string | undefined,
  what: string,
): T {
  const found =
    wanted === undefined ? items[0] : items.find((item) => item.id === wanted || item.name === wanted);
  if (found !== undefined) return found;
  const there = items.map((item) => `“${item.name}”`).join(', ') || 'none';
  throw new BadInput(`There is no ${what} “${wanted ?? ''}”. The bundle has: ${there}.`);
}

/** Reads a command line. Throws `BadInput` with the remedy in its message; undefined when help was asked for. */
export function readRequest(argv: readonly string[]): CliRequest | undefined {
  const { values, positionals } = parsed(argv);
  if (values.help) return undefined;
  const [word, file, ...rest] = positionals;
  const command = COMMANDS.find((candidate) => candidate === word);
  if (command === undefined || file === undefined || rest.length > 0) throw new BadInput(USAGE);
  const studio = studioIn(file);
  const session = named(studio.sessions, values.session, 'session');
  const scene = named(session.scenes, values.scene, 'scene');
  const { from, to, out, json } = values;
  return {
    command,
    studio,
    session,
    scene,
    json,
    ...(from && { from }),
    ...(to && { to }),
    ...(out && { out }),
  };
}
