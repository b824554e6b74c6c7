import type { LogOp } from '@ft/core/takes/logRows';
import { logOpSchema } from '@ft/core/takes/logRows';
import { newId } from './new-id';

/** An operation on a take log that the server has not confirmed. */
export interface PendingOp {
  readonly id: string;
  readonly order: number;
  readonly op: LogOp;
}

let made = 0;

/** Operations with what sending them needs, in the order they were made. */
export const pendingOps = (ops: readonly LogOp[]): readonly PendingOp[] =>
  ops.map((op) => ({ id: newId(), order: Date.now() * 1000 + (made++ % 1000), op }));

/** Each has an entry of its own in the browser, so that two windows do not overwrite each other's. */
const prefixOf = (studioId: string, session: string): string => `ft-log:${studioId}:${session}:`;

export function keepOp(studioId: string, session: string, pending: PendingOp): void {
  localStorage.setItem(`${prefixOf(studioId, session)}${pending.id}`, JSON.stringify(pending));
}

export function forgetOp(studioId: string, session: string, id: string): void {
  localStorage.removeItem(`${prefixOf(studioId, session)}${id}`);
}

function keptAt(key: string): readonly PendingOp[] {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? '') as PendingOp;
    const op = logOpSchema.safeParse(kept.op);
    return op.success ? [{ ...kept, op: op.data }] : [];
  } catch {
    return [];
  }
}

/** What is kept from before a reload, the oldest first. Sending it twice does no harm: a row that is there is there. */
export function keptOps(studioId: string, session: string): readonly PendingOp[] {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  return keys
    .filter((key) => key.startsWith(prefixOf(studioId, session)))
    .flatMap(keptAt)
    .sort((a, b) => a.order - b.order);
}
