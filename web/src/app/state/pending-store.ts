import { changeSchema } from '@ft/core/edits/change';
import type { Change } from '@ft/core/edits/change';

const keyOf = (studioId: string): string => `ft-pending:${studioId}`;

/** Keeps changes the server has not confirmed yet, so that a reload or a crash loses none of them. */
export function keepPending(studioId: string, pending: readonly Change[]): void {
  if (pending.length === 0) localStorage.removeItem(keyOf(studioId));
  else localStorage.setItem(keyOf(studioId), JSON.stringify(pending));
}

/** The changes kept from before a reload; what cannot be read any more is left out. */
export function keptPending(studioId: string): readonly Change[] {
  const text = localStorage.getItem(keyOf(studioId));
  if (text === null) return [];
  try {
    const parsed = changeSchema.array().safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}
