import type { Edit } from '../../edits/make';

/** A text meant for a cell of a channel sheet. */
export interface ChannelEntry {
  readonly row: string;
  readonly column: string;
  readonly text: string;
}

/** What becomes of a cell, as a reader sees it before it is done. */
export interface ChannelChange {
  /** The names of row and column. */
  readonly row: string;
  readonly column: string;
  readonly from: string;
  readonly to: string;
  /** It was not meant, but moves with one that was: a coarse patch, a fader for two rows. */
  readonly isDragged?: true;
}

/** Why a text is left out, by its place among those that were given. */
export interface ChannelRefusal {
  readonly at: number;
  readonly row: string;
  readonly column: string;
  readonly sentence: string;
}

/** Many cells at once: what it comes to, what it overwrites, and what is left out. */
export interface ChannelPlan {
  readonly edits: readonly Edit[];
  readonly changes: readonly ChannelChange[];
  readonly refused: readonly ChannelRefusal[];
}
