import { nameSchema } from '../../rig/rigSchema';
import type { Session } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { freeName } from '../../text/freeName';
import { fittedText } from '../fittedCell';

/** What a name is asked for: sessions have names of their own among sessions, templates among templates. */
export type SessionKind = 'session' | 'template';

const kindOf = ({ template }: Session): SessionKind => (template === true ? 'template' : 'session');

/** The names that sessions, or templates, have already, in lower case. */
export const namesTaken = (
  { sessions }: Pick<Studio, 'sessions'>,
  kind: SessionKind,
  but?: Session['id'],
): ReadonlySet<string> =>
  new Set(
    sessions.filter((each) => kindOf(each) === kind && each.id !== but).map(({ name }) => name.toLowerCase()),
  );

/**
 * A name for a session, or the sentence that says why it cannot have it and which one is free.
 * @param own the session that is renamed: its own name is free to it.
 */
export function readSessionName(
  studio: Pick<Studio, 'sessions'>,
  kind: SessionKind,
  typed: string,
  own?: Session['id'],
): CellReading<string> {
  const fits = fittedText(nameSchema, typed.trim());
  if (!fits.ok) return fits;
  const name = typed.trim();
  const taken = namesTaken(studio, kind, own);
  return taken.has(name.toLowerCase())
    ? refuse(
        `There is a ${kind} “${name}” already. Give it a name of its own, such as “${freeName(name, taken)}”.`,
      )
    : value(name);
}
