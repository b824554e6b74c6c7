import type { Studio } from '../session/studioSchema';
import type { Change } from './change';
import { applyChange, applyNewChange, invertChange } from './change';
import type { EditJson } from './editKind';
import type { Refusal } from './refusal';

/** One line of a studio's history. */
export interface Entry {
  readonly revision: number;
  /** The id the maker gave the change; sending it twice does nothing the second time. */
  readonly change: string;
  readonly label: string;
  readonly author: string;
  /** The paired tablet it came from, by id; left out for the computer the program runs on. */
  readonly tablet?: string;
  readonly at: string;
  readonly edits: readonly EditJson[];
  readonly inverse: readonly EditJson[];
  /** The revision this entry undid or redid. */
  readonly undoes?: number;
  readonly redoes?: number;
}

export type Acceptance =
  | { readonly ok: true; readonly studio: Studio; readonly entry: Entry }
  | { readonly ok: false; readonly refusal: Refusal };

/** Who makes a change, when, and whether it takes back an earlier one. */
export interface Making {
  readonly author: string;
  readonly tablet?: string;
  readonly at: string;
  readonly undoes?: number;
  readonly redoes?: number;
}

/** Applies a change to the latest studio and writes its history line. Pure; storing is the server's. */
export function accept(studio: Studio, revision: number, change: Change, making: Making): Acceptance {
  const takesBack = making.undoes !== undefined || making.redoes !== undefined;
  const result = takesBack ? applyChange(studio, change.edits) : applyNewChange(studio, change.edits);
  if (!result.ok) return result;
  const inverse = invertChange(studio, change.edits);
  return {
    ok: true,
    studio: result.value,
    entry: {
      revision: revision + 1,
      change: change.id,
      label: change.label,
      edits: change.edits,
      inverse,
      ...making,
    },
  };
}
