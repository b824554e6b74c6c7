import * as z from 'zod';
import type { EditKind } from './editKind';
import type { Place, Shelf } from './shelf';
import { applied, refused } from './refusal';

interface Item {
  readonly id: string;
}
export interface AddEdit extends Place {
  readonly type: string;
  readonly item: Item;
}

/** `thing.add`: puts an item on its shelf, in the order of ids. Inverse: `thing.remove`. */
export function addEdit(shelf: Shelf): EditKind<AddEdit> {
  const type = `${shelf.name}.add`;
  return {
    type,
    schema: z.strictObject({
      type: z.literal(type),
      ...shelf.place,
      item: shelf.item,
    }),
    apply(studio, edit) {
      const items = shelf.get(studio, edit);
      if (items === undefined)
        return refused({ code: 'gone', what: 'place', id: edit.scene ?? edit.session ?? '' });
      // Lists are kept in the order of ids, so the first that is not before it tells both.
      const found = items.findIndex((item) => item.id >= edit.item.id);
      const at = found < 0 ? items.length : found;
      if (items[at]?.id === edit.item.id)
        return refused({ code: 'already-there', what: shelf.name, id: edit.item.id });
      const next = items.slice();
      next.splice(at, 0, edit.item);
      return applied(shelf.put(studio, edit, next));
    },
    invert: (_before, { item, ...rest }) => ({
      ...rest,
      type: `${shelf.name}.remove`,
      id: item.id,
      was: item,
    }),
  };
}
