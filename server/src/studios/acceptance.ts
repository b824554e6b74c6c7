import type { Change } from '@ft/core/edits/change';
import type { Making } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import type { Refusal } from '@ft/core/edits/refusal';
import { areTicks } from '@ft/core/edits/ticks';
import type { Studio } from '@ft/core/session/studioSchema';
import type { StoredEntry } from '../history/storedEntry';
import { storedEntry } from '../history/storedEntry';
import type { StudioWrite } from './documents';
import { writeBetween } from './documents';

/** A change somebody wants, and what they may do. */
export interface Order {
  readonly change: Change;
  readonly making: Making;
  /** Whoever asks may only say what is plugged and set. */
  readonly ticksOnly: boolean;
}

export type Accepted =
  | { readonly ok: true; readonly after: Studio; readonly write: StudioWrite; readonly entry: StoredEntry }
  | { readonly ok: false; readonly refusal: Refusal }
  | { readonly ok: false; readonly forbidden: 'may-only-tick' };

/** Applies an order to the latest studio: what has to be written, or why not. Rights are those of the edits really made. */
export function acceptOrder(studio: Studio, revision: number, order: Order): Accepted {
  const { change, making, ticksOnly } = order;
  if (ticksOnly && !areTicks(change.edits)) return { ok: false, forbidden: 'may-only-tick' };
  const result = accept(studio, revision, change, making);
  if (!result.ok) return result;
  const after = result.studio;
  return { ok: true, after, write: writeBetween(studio, after), entry: storedEntry(result.entry) };
}
