import type { Edit } from '../../edits/make';
import { editSet, fieldRead } from '../../edits/make';
import type { Bus } from '../../session/daw/trackSchema';
import { busSchema } from '../../session/daw/trackSchema';
import type { Session } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { fittedText } from '../fittedCell';

/** A new name for a bus. Tracks name buses when they are typed, so two cannot be called the same. */
export function busCell(session: Session | undefined, bus: Bus, typed: string): CellReading<readonly Edit[]> {
  if (session === undefined) return refuse('No session is open.');
  const text = typed.trim();
  const other = session.buses.find(
    ({ id, name }) => id !== bus.id && name.toLowerCase() === text.toLowerCase(),
  );
  if (other !== undefined) return refuse(`There is a bus “${other.name}” already. Type another name.`);
  const fits = fittedText(busSchema.shape.name, text);
  if (!fits.ok) return fits;
  const change = fieldRead('bus', 'name', fits.value, bus.name);
  return value([editSet('bus', { session: session.id }, bus.id, change)]);
}
