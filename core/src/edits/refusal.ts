import type { Problem } from '../session/problem';

/** Why an edit cannot be applied. Data; the words come from `refusalWording`. */
export type Refusal =
  /** The thing the edit is about is gone, or a thing of that id is already there. */
  | { readonly code: 'gone'; readonly what: string; readonly id: string }
  | { readonly code: 'already-there'; readonly what: string; readonly id: string }
  /** Somebody changed it since the edit was made: what was expected, and what is there. */
  | {
      readonly code: 'changed-elsewhere';
      readonly what: string;
      readonly id: string;
      readonly field: string;
      readonly now: unknown;
      readonly wanted: unknown;
    }
  /** The studio would no longer hold together: where, as a reader calls the places, and how. */
  | {
      readonly code: 'would-break';
      readonly problems: readonly Problem[];
      readonly places: readonly string[];
    };

export type Applied<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

export const applied = <T>(value: T): Applied<T> => ({ ok: true, value });
export const refused = (refusal: Refusal): { readonly ok: false; readonly refusal: Refusal } => ({
  ok: false,
  refusal,
});
