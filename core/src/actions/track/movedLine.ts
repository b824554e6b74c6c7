import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { ThreadId } from '../../rig/ids';
import type { Session, Thread } from '../../session/sessionSchema';
import { renumberedBy } from '../movedItem';

/**
 * Puts a line elsewhere on the input list, with the other sides of a wide one; the numbers stay, their lines change.
 * @param lines those that are shown, in their order.
 * @param by how many places down, or up where negative.
 */
export function movedLineEdits(
  session: Session,
  lines: readonly Thread[],
  id: ThreadId,
  by: number,
): readonly Edit[] {
  const leadOf = (thread: Thread): ThreadId => thread.link?.lead ?? thread.id;
  return renumberedBy(lines, id, by, (line) => lines.filter((each) => leadOf(each) === leadOf(line))).map(
    ({ item, number }) =>
      editSet('thread', { session: session.id }, item.id, {
        field: 'number',
        value: number,
        was: item.number,
      }),
  );
}
