import type * as z from 'zod';
import type { Studio } from '../session/studioSchema';
import type { Applied } from './refusal';

/**
 * The contract of one kind of edit. An edit carries what it expects to find (`was`, the id of what it
 * changes), so that it rebases over other people's edits by being applied after them: either its
 * expectation still holds, or it is refused with what is there now. `invert` takes the studio as it
 * was before the edit.
 */
export interface EditKind<E extends { readonly type: string }> {
  readonly type: E['type'];
  readonly schema: z.ZodType<E>;
  apply(studio: Studio, edit: E): Applied<Studio>;
  invert(before: Studio, edit: E): EditJson;
  /** Where edits of this kind are many at a time: several in one place as one after the other would be, in one go. */
  readonly run?: EditRun<E>;
}

/** Several edits of one kind, one after the other. */
export interface EditRun<E> {
  /** Whether an edit is in the place of the one before it. */
  isBeside(before: E, edit: E): boolean;
  apply(studio: Studio, edits: readonly E[]): Applied<Studio>;
  /** What undoes them, the last first. */
  invert(before: Studio, edits: readonly E[]): readonly EditJson[];
}

/** Any edit as JSON; the registry knows its kind by `type`. */
export interface EditJson {
  readonly type: string;
  readonly [field: string]: unknown;
}
