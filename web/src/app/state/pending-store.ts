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
  /** The studio it was made in; entries of the first versions do not say. */
  readonly incarnation?: string;
}

/** What a browser keeps for a studio: changes made in it, and those made in another one that had its id before. */
export interface KeptChanges {
  readonly own: readonly Change[];
  readonly stray: readonly Change[];
}

/** Keeps a change. `order` grows with time, so that after a reload they are sent as they were made. */
export function keepPending(studioId: string, incarnation: string, change: Change, order: number): void {
  localStorage.setItem(
    `${prefixOf(studioId)}${change.id}`,
    JSON.stringify({ order, change, incarnation } satisfies Kept),
  );
}

export function forgetPending(studioId: string, changeId: string): void {
  localStorage.removeItem(`${prefixOf(studioId)}${changeId}`);
}

function keptAt(key: string): readonly Kept[] {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? '') as Kept;
    const parsed = changeSchema.safeParse(kept.change);
    return parsed.success ? [{ ...kept, change: parsed.data }] : [];
  } catch {
    return [];
  }
}

/** The changes kept from before a reload, the oldest first; what cannot be read any more is left out. */
export function keptPending(studioId: string, incarnation: string): KeptChanges {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  const all = keys
    .filter((key) => key.startsWith(prefixOf(studioId)))
    .flatMap(keptAt)
    .sort((a, b) => a.order - b.order);
  const isOwn = (kept: Kept): boolean => (kept.incarnation ?? incarnation) === incarnation;
  return {
    own: all.filter(isOwn).map(({ change }) => change),
    stray: all.filter((kept) => !isOwn(kept)).map(({ change }) => change),
  };
}
