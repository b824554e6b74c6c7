import type { Edit } from '../../edits/make';

/** A change that is recommended, in words, with the edits that make it; none where all is well. */
export interface Advised {
  readonly text: string;
  readonly label?: string;
  readonly edits: readonly Edit[];
}
