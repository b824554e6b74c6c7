import * as z from 'zod';
import type { EditKind } from './editKind';
import { sameValue } from './sameValue';
import type { Place, Shelf } from './shelf';
import { applied, refused } from './refusal';

export interface RemoveEdit extends Place {
  readonly type: string;
  readonly id: string;
  /** What the remover saw. Given, the removal is refused when somebody has changed it since. */
  readonly was?: unknown;
}

/** `thing.remove`: takes an item off its shelf. Inverse: `thing.add` with the item as it was. */
// eslint-disable-next-line max-lines-per-function -- the four parts of one contract, read together
export function removeEdit(shelf: Shelf): EditKind<RemoveEdit> {
  const type = `${shelf.name}.remove`;
  return {
    type,
    schema: z.strictObject({
      type: z.literal(type),
      ...shelf.place,
      id: z.string(),
      was: z.unknown().optional(),
    }),
    apply(studio, edit) {
      const items = shelf.get(studio, edit);
      const item = items?.find((candidate) => candidate.id === edit.id);
      if (items === undefined || item === undefined)
        return refused({ code: 'gone', what: shelf.name, id: edit.id });
      if (edit.was !== undefined && !sameValue(edit.was, item))
        return refused({
          code: 'changed-elsewhere',
          what: shelf.name,
          id: edit.id,
          field: '',
          now: item,
          wanted: null,
        });
      return applied(
        shelf.put(
          studio,
          edit,
          items.filter((candidate) => candidate.id !== edit.id),
        ),
      );
    },
    invert(before, { id, was: _was, ...rest }) {
      const item = shelf.get(before, rest)?.find((candidate) => candidate.id === id);
      return { ...rest, type: `${shelf.name}.add`, item };
    },
  };
}
