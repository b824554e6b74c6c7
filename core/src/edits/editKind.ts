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
}

/** Any edit as JSON; the registry knows its kind by `type`. */
export interface EditJson {
  readonly type: string;
  readonly [field: string]: unknown;
}
