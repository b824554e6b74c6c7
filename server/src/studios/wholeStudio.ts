import type { Tablet } from '@ft/contract/sharing';
import type { LogRow } from '@ft/core/takes/logRows';
import type { StoredEntry } from '../history/storedEntry';
import type { Documents } from './documents';

/** A studio with its history, from a backup or an archive. */
export interface WholeStudio {
  readonly documents: Documents;
  /** All lines, oldest first. */
  readonly entries: readonly StoredEntry[];
  /** The tablets its history refers to. */
  readonly tablets: readonly Pick<Tablet, 'id' | 'name' | 'pairedAt'>[];
  /** Takes, notes and punches of its sessions. */
  readonly log: readonly LogRow[];
}
