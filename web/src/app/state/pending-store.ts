import { changeSchema } from '@ft/core/edits/change';
import type { Change } from '@ft/core/edits/change';

/**
 * Changes the server has not confirmed, kept in the browser. Each has an entry of its own, so that two
 * windows do not overwrite each other's; sending one twice does no harm, its id is known.
 */
const prefixOf = (studioId: string): string => `ft-pending:${studioId}:`;

interface Kept {
  readonly order: number;
  readonly change: Change;
}

/** Keeps a change. `order` grows with time, so that after a reload they are sent as they were made. */
export function keepPending(studioId: string, change: Change, order: number): void {
  localStorage.setItem(`${prefixOf(studioId)}${change.id}`, JSON.stringify({ order, change }));
}

export function forgetPending(studioId: string, changeId: string): void {
  localStorage.removeItem(`${prefixOf(studioId)}${changeId}`);
}

function keptAt(key: string): readonly Kept[] {
  try {
    const { order, change } = JSON.parse(localStorage.getItem(key) ?? '') as Kept;
    const parsed = changeSchema.safeParse(change);
    return parsed.success ? [{ order, change: parsed.data }] : [];
  } catch {
    return [];
  }
}

/** The changes kept from before a reload, the oldest first; what cannot be read any more is left out. */
export function keptPending(studioId: string): readonly Change[] {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  return keys
    .filter((key) => key.startsWith(prefixOf(studioId)))
    .flatMap(keptAt)
    .sort((a, b) => a.order - b.order)
    .map(({ change }) => change);
}
