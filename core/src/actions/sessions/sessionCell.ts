import type { Edit, FieldChange } from '../../edits/make';
import { editSet, fieldRead } from '../../edits/make';
import type { Session } from '../../session/sessionSchema';
import { sessionSchema } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { CellReading } from '../../text/cellReading';
import { value } from '../../text/cellReading';
import { readOnOff } from '../../typed/settingText';
import { fittedText } from '../fittedCell';
import { readSessionName } from './sessionName';

/** What of a session can be typed into its line. */
export type SessionField = 'name' | 'date' | 'goesLive' | 'archived';

function read(studio: Studio, session: Session, field: SessionField, text: string): CellReading<unknown> {
  if (field === 'name')
    return readSessionName(studio, session.template === true ? 'template' : 'session', text, session.id);
  if (field === 'date') return text === '' ? value(null) : fittedText(sessionSchema.shape.date, text);
  const on = readOnOff(field === 'archived' ? 'put away' : 'goes live', text);
  return on.ok ? value(on.value || null) : on;
}

/** A text for a cell of the list of sessions. */
export function sessionCell(
  studio: Studio,
  session: Session,
  field: SessionField,
  typed: string,
): CellReading<readonly Edit[]> {
  const fits = read(studio, session, field, typed.trim());
  if (!fits.ok) return fits;
  const change: FieldChange<'session'> = fieldRead('session', field, fits.value, session[field]);
  return value([editSet('session', {}, session.id, change)]);
}
