import type { Edit } from '../../edits/make';
import { editAdd, editRemove, editSet } from '../../edits/make';
import type { SessionId } from '../../rig/ids';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { typedNumber } from '../../text/typedNumber';
import type { LineUpRow } from '../../views/levels/lineUpSheet';

/** What a meter of a studio can show, in dBFS or dBu. */
const [LEAST, MOST] = [-150, 60];

/** A level read at a channel of the line-up. Nothing typed takes the reading back. */
export function readingCell(
  session: SessionId,
  { station: id, read: was, expectUnit }: Pick<LineUpRow, 'station' | 'read' | 'expectUnit'>,
  text: string,
): CellReading<readonly Edit[]> {
  if (text.trim() === '') return value(was === undefined ? [] : [editRemove('reading', { session }, id)]);
  const level = typedNumber(text);
  if (level === undefined || level < LEAST || level > MOST)
    return refuse(`“${text}” is not a level. Type what the meter shows, in ${expectUnit}.`);
  return value([
    was === undefined
      ? editAdd('reading', { session }, { id, level })
      : editSet('reading', { session }, id, { field: 'level', value: level, was }),
  ]);
}
