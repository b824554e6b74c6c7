import { mkdirSync } from 'node:fs';
import type { Writable } from 'node:stream';
import { pino } from 'pino';
import { createStream } from 'rotating-file-stream';

/** Facts of a line: codes, counts, milliseconds. Never a name or a text of a studio. */
export type Facts = Readonly<Record<string, string | number | boolean | undefined>>;

/** What the person who helps reads afterwards. */
export interface Log {
  note(what: string, facts?: Facts): void;
  detail(what: string, facts?: Facts): void;
  trouble(what: string, error: unknown, facts?: Facts): void;
  close(): Promise<void>;
}

export const NO_LOG: Log = {
  note: () => undefined,
  detail: () => undefined,
  trouble: () => undefined,
  close: () => Promise.resolve(),
};

interface Coded {
  readonly name?: string;
  readonly code?: string | number;
  readonly stack?: string;
  readonly parent?: Coded;
}

/**
 * An error without its message: data base errors repeat what was to be stored. The places in the program
 * tell where it happened.
 */
export function bareError(error: unknown): Facts {
  const { name, code, stack = '', parent } = (error ?? {}) as Coded;
  const places = stack.split('\n').filter((line) => /^\s+at /.test(line));
  return {
    error: name ?? typeof error,
    code: String(code ?? parent?.code ?? ''),
    at: places
      .slice(0, 6)
      .map((line) => line.trim())
      .join(' | '),
  };
}

/** A megabyte each, five of them: weeks of work, and never much of the disk. */
const SIZE = '1M';
const FILES = 5;

/** A log in files of a folder, the oldest dropped; what is written to the terminal as well is up to `verbose`. */
export function openLog(folder: string, { verbose }: { readonly verbose: boolean }): Log {
  mkdirSync(folder, { recursive: true });
  const file: Writable = createStream('faithful-thread.log', { path: folder, size: SIZE, maxFiles: FILES });
  // A full disk must not stop the program because it cannot say so.
  file.on('error', () => undefined);
  const streams = [
    { level: verbose ? 'debug' : 'info', stream: file },
    ...(verbose ? [{ level: 'debug', stream: process.stderr }] : []),
  ] as const;
  const out = pino({ level: verbose ? 'debug' : 'info', base: null }, pino.multistream([...streams]));
  return {
    note: (what, facts = {}) => {
      out.info(facts, what);
    },
    detail: (what, facts = {}) => {
      out.debug(facts, what);
    },
    trouble: (what, error, facts = {}) => {
      out.error({ ...bareError(error), ...facts }, what);
    },
    close: () =>
      new Promise((resolve) => {
        file.end(resolve);
      }),
  };
}
