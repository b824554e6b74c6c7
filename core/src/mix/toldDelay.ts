import type { Session } from '../session/sessionSchema';

/** Whether a delay that is typed in does something: the host knows the delays of inserts and compensates them. */
export const compensatesKnown = ({ hostProfile }: Pick<Session, 'hostProfile'>): boolean =>
  hostProfile.compensates && hostProfile.insertDelay !== 'not known to the host';
