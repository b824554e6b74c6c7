import type { Refusal } from '@ft/core/edits/refusal';
import type { StoredEntry } from '../history/storedEntry';
import type { Order } from '../studios/acceptance';
import { acceptOrder } from '../studios/acceptance';
import type { Documents, StudioWrite } from '../studios/documents';
import { studioOf } from '../studios/documents';
import type { Tell } from './jobProgress';

export interface AcceptInput {
  readonly documents: Documents;
  readonly revision: number;
  readonly order: Order;
}

export type AcceptOutput =
  | { readonly ok: true; readonly write: StudioWrite; readonly entry: StoredEntry }
  | { readonly ok: false; readonly refusal: Refusal }
  | { readonly ok: false; readonly forbidden: 'may-only-tick' };

/** Applies a large change to a studio; what has to be written comes back as text. */
export function acceptTask({ documents, revision, order }: AcceptInput, tell: Tell): AcceptOutput {
  tell('Reading the studio', 1, 2);
  const studio = studioOf(documents);
  tell(`Making ${String(order.change.edits.length)} changes`, 2, 2);
  const result = acceptOrder(studio, revision, order);
  return result.ok ? { ok: true, write: result.write, entry: result.entry } : result;
}
