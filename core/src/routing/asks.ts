import type { Thread } from '../session/sessionSchema';

/** How many things a thread asks for: of several that could run over one way, those that ask for more are meant. */
export const asksOf = ({ pins, inserts }: Thread): number => Object.keys(pins).length + inserts.length;
