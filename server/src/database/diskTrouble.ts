/** What a disk can refuse with. */
export type DiskTrouble = 'disk-full' | 'disk-read-only' | 'disk-damaged' | 'disk-failed' | 'disk-busy';

const OF_CODE: Readonly<Record<string, DiskTrouble>> = {
  SQLITE_FULL: 'disk-full',
  ENOSPC: 'disk-full',
  EDQUOT: 'disk-full',
  SQLITE_READONLY: 'disk-read-only',
  EROFS: 'disk-read-only',
  EACCES: 'disk-read-only',
  EPERM: 'disk-read-only',
  SQLITE_CORRUPT: 'disk-damaged',
  SQLITE_NOTADB: 'disk-damaged',
  SQLITE_IOERR: 'disk-failed',
  SQLITE_CANTOPEN: 'disk-failed',
  EIO: 'disk-failed',
  ENOTDIR: 'disk-failed',
  SQLITE_BUSY: 'disk-busy',
  SQLITE_LOCKED: 'disk-busy',
};

interface Layered {
  readonly code?: unknown;
  readonly message?: unknown;
  readonly parent?: unknown;
  readonly original?: unknown;
  readonly cause?: unknown;
}

/** An error of the disk wherever it is wrapped, or undefined: then it is something else. */
export function diskTroubleOf(error: unknown, depth = 0): DiskTrouble | undefined {
  if (typeof error !== 'object' || error === null || depth > 4) return undefined;
  const { code, message, parent, original, cause } = error as Layered;
  // A commit that fails for want of space says so in its message only.
  const named = typeof message === 'string' ? /\bSQLITE_[A-Z]+\b/.exec(message)?.[0] : undefined;
  return (
    OF_CODE[typeof code === 'string' ? code : ''] ??
    OF_CODE[named ?? ''] ??
    [parent, original, cause]
      .map((inner) => diskTroubleOf(inner, depth + 1))
      .find((found) => found !== undefined)
  );
}
