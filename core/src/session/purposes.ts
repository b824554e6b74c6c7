/**
 * What a thread is for, and where it ends: at an input of the DAW that the router may choose, or at the one
 * input that the thread names.
 */
const PURPOSE = {
  /** A source that is recorded. */
  input: { ends: 'daw' },
  /** A DAW output through outboard and back. */
  insert: { ends: 'daw' },
  /** Any output to one named input, where no other word fits. */
  feed: { ends: 'named' },
  /** To what a performer hears. */
  cue: { ends: 'named' },
  /** To an input of a summing mixer. */
  sum: { ends: 'named' },
  /** To an effect. */
  send: { ends: 'named' },
  /** To the side-chain input of a dynamics unit. */
  key: { ends: 'named' },
  /** To what the engineer hears. */
  monitor: { ends: 'named' },
  talkback: { ends: 'named' },
  /** A mix or stem that is recorded. */
  print: { ends: 'daw' },
  clock: { ends: 'named' },
} as const satisfies Readonly<Record<string, { readonly ends: 'daw' | 'named' }>>;

export type Purpose = keyof typeof PURPOSE;

export const PURPOSES = Object.keys(PURPOSE) as [Purpose, ...Purpose[]];

/** Whether a thread of this purpose ends at the one input it names. */
export const endsWhereNamed = (purpose: Purpose): boolean => PURPOSE[purpose].ends === 'named';
