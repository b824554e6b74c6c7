import * as z from 'zod';
import { pathText } from '../session/problem';
import type { EditKind } from './editKind';
import { sameValue } from './sameValue';
import type { Place, Shelf } from './shelf';
import type { Applied } from './refusal';
import { applied, refused } from './refusal';

interface Item {
  readonly id: string;
}
export interface SetEdit extends Place {
  readonly type: string;
  readonly id: string;
  /** A field of the item, or `pins.role` for a field inside one. */
  readonly field: string;
  readonly value: unknown;
  /** The value the editor saw. */
  readonly was: unknown;
}

/** Absent and null mean the same on the wire: JSON has no undefined. */
const orNull = (value: unknown): unknown => value ?? null;

function read(item: Item, path: readonly string[]): unknown {
  return path.reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], item);
}

function write(item: object, [key = '', ...rest]: readonly string[], value: unknown): object {
  const inner = (item as Record<string, unknown>)[key];
  const next = rest.length === 0 ? value : write(inner ?? {}, rest, value);
  const { [key]: _old, ...others } = item as Record<string, unknown>;
  return next === null ? others : { ...item, [key]: next };
}

function changed(shelf: Shelf, item: Item, edit: SetEdit): Applied<Item> {
  const parsed = shelf.item.safeParse(write(item, edit.field.split('.'), edit.value));
  if (parsed.success && parsed.data.id === item.id) return applied(parsed.data);
  const problems = (parsed.error?.issues ?? []).map((issue) => ({
    code: 'wrong-shape' as const,
    path: issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step)),
    detail: issue.message,
  }));
  return refused({ code: 'would-break', problems, places: problems.map(({ path }) => pathText(path)) });
}

/**
 * `thing.set`: changes one field of an item, if it still is what the editor saw. Two people on
 * different fields of one row do not disturb each other; on the same field the later one is refused
 * and told what is there. Inverse: the same field back to what it was.
 */
// eslint-disable-next-line max-lines-per-function -- the four parts of one contract, read together
export function setEdit(shelf: Shelf): EditKind<SetEdit> {
  const type = `${shelf.name}.set`;
  return {
    type,
    schema: z.strictObject({
      type: z.literal(type),
      ...shelf.place,
      id: z.string(),
      field: z.string().min(1).max(100),
      value: z.unknown(),
      was: z.unknown(),
    }),
    apply(studio, edit) {
      const items = shelf.get(studio, edit);
      const item = items?.find((candidate) => candidate.id === edit.id);
      if (items === undefined || item === undefined)
        return refused({ code: 'gone', what: shelf.name, id: edit.id });
      const now = orNull(read(item, edit.field.split('.')));
      if (!sameValue(now, orNull(edit.was)) && !sameValue(now, orNull(edit.value)))
        return refused({
          code: 'changed-elsewhere',
          what: shelf.name,
          id: edit.id,
          field: edit.field,
          now,
          wanted: edit.value,
        });
      const next = changed(shelf, item, edit);
      if (!next.ok) return next;
      const put = items.map((candidate) => (candidate === item ? next.value : candidate));
      return applied(shelf.put(studio, edit, put));
    },
    // What was there, not what the editor saw: a value somebody else had set already stays theirs.
    invert(before, edit) {
      const item = shelf.get(before, edit)?.find((candidate) => candidate.id === edit.id);
      const value = item === undefined ? null : orNull(read(item, edit.field.split('.')));
      return { ...edit, value, was: orNull(edit.value) };
    },
  };
}
