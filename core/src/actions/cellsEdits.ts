import type { Edit } from '../edits/make';

/** Edits that take texts over into cells, and which texts were not taken, by their place in what was given. */
export interface CellsEdits {
  readonly edits: readonly Edit[];
  readonly refused: readonly { readonly at: number; readonly sentence: string }[];
}
