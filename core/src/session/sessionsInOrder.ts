import type { Session } from './sessionSchema';
import type { Studio } from './studioSchema';

/** What of a session decides its place among the others. */
export type SessionHead = Pick<Session, 'name' | 'date' | 'archived' | 'template'>;

/** "Reel 2" before "Reel 10", whatever the case. */
const byName = (a: string, b: string): number => a.localeCompare(b, 'en', { numeric: true });

const rank = ({ template, archived }: SessionHead): number =>
  template === true ? 2 : archived === true ? 1 : 0;

/** In the order in which sessions are read: the latest day first, those without a day by name; put away ones, then templates last. */
export function sessionOrder(a: SessionHead, b: SessionHead): number {
  const byRank = rank(a) - rank(b);
  if (byRank !== 0) return byRank;
  const [dayA, dayB] = [a.date ?? '', b.date ?? ''];
  return dayA === dayB ? byName(a.name, b.name) : dayA < dayB ? 1 : -1;
}

/** The sessions people work in, in order, those that are put away last. */
export const sessionsInOrder = ({ sessions }: Pick<Studio, 'sessions'>): readonly Session[] =>
  sessions.filter(({ template }) => template !== true).sort(sessionOrder);

/** The templates of a studio, by name. */
export const templatesOf = ({ sessions }: Pick<Studio, 'sessions'>): readonly Session[] =>
  sessions.filter(({ template }) => template === true).sort(sessionOrder);
