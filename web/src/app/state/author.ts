import { newId } from './new-id';

const KEY = 'ft-author';

/** Who sits at this browser: kept, so that undo still knows its own changes after a reload. */
export function authorId(): string {
  const known = localStorage.getItem(KEY);
  if (known !== null) return known;
  const made = newId();
  localStorage.setItem(KEY, made);
  return made;
}
