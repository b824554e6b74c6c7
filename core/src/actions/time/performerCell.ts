import type { Edit, FieldChange } from '../../edits/make';
import { editSet, fieldRead } from '../../edits/make';
import type { Rig } from '../../rig/rigSchema';
import type { Performer } from '../../session/performerSchema';
import { performerSchema } from '../../session/performerSchema';
import type { Session } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { fittedFigure } from '../fittedCell';

/** What of a performer can be typed into their line. */
export type PerformerField = 'headphones' | 'cueLimitMs' | 'hoursADay' | 'earDistanceM';

function read({ devices }: Rig, field: PerformerField, text: string): CellReading<unknown> {
  if (text === '' && field !== 'cueLimitMs') return value(null);
  if (field !== 'headphones') return fittedFigure(performerSchema.shape[field], text);
  const worn = devices.find(
    ({ type, name }) => type === 'headphones' && name.toLowerCase() === text.toLowerCase(),
  );
  return worn === undefined ? refuse(`There are no headphones “${text}” in the rig.`) : value(worn.id);
}

/** A text for a cell of the list of performers. Headphones and hours may be empty: they are then left open. */
export function performerCell(
  rig: Rig,
  session: Session,
  performer: Performer,
  field: PerformerField,
  typed: string,
): CellReading<readonly Edit[]> {
  const fits = read(rig, field, typed.trim());
  if (!fits.ok) return fits;
  const change: FieldChange<'performer'> = fieldRead('performer', field, fits.value, performer[field]);
  return value([editSet('performer', { session: session.id }, performer.id, change)]);
}
