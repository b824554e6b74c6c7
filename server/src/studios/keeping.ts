import type { UndoState } from '@ft/contract/history';
import type { Refusal } from '@ft/core/edits/refusal';
import type { StoredEntry } from '../history/storedEntry';

/** What became of a change. */
export type Answer =
  | { readonly ok: true; readonly entry: StoredEntry; readonly undo?: UndoState }
  | { readonly ok: false; readonly refusal: Refusal }
  | { readonly ok: false; readonly forbidden: 'may-only-tick' }
  | { readonly ok: false; readonly missing: 'studio' | 'nothing-to-undo' | 'nothing-to-redo' }
  | { readonly ok: false; readonly clash: 'replaced' | 'change-id-taken' };

/** Who makes a change: known by the server where it is a paired tablet, and what they may do. */
export interface Maker {
  readonly author: string;
  readonly tablet?: string;
  readonly ticksOnly: boolean;
}

export interface Listener {
  /** A line was stored. `undo` is what its author could take back next. */
  entry(studioId: string, entry: StoredEntry, undo?: UndoState): void;
  /** A studio is gone, or another one has its id. */
  gone(studioId: string): void;
}
