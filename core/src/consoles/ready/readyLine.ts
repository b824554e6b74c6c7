/** A text for a cell of a channel sheet. */
export interface ReadyCell {
  readonly row: string;
  readonly column: string;
  readonly text: string;
}

/** One thing that is done to make a console ready; each can be left out. */
export interface ReadyLine {
  readonly id: string;
  readonly title: string;
  /** What it does and why, in a sentence. */
  readonly sentence: string;
  readonly cells: readonly ReadyCell[];
  /** What could not be provided for: inputs without a channel. */
  readonly left?: string;
}

/** How a console is made ready, and what is opened last, by hand, when everybody is warned. */
export interface ReadyPlan {
  /** Whether every other knob of the console goes back to where it stands at first. */
  readonly isFromNothing: boolean;
  readonly lines: readonly ReadyLine[];
  readonly opens: readonly ReadyLine[];
}

/** A line from its name, its sentence and its cells. */
export const readyLine = (
  id: string,
  title: string,
  sentence: string,
  cells: readonly ReadyCell[],
  left?: string,
): ReadyLine => ({ id, title, sentence, cells, ...(left !== undefined && { left }) });

/** The same text down one column of some rows. */
export const down = (rows: readonly string[], column: string, text: string): readonly ReadyCell[] =>
  rows.map((row) => ({ row, column, text }));

/** As the field begins. Common practice, no source; a send knob at 12 o'clock stands about 10 dB below its end. */
export const START = { faderDb: -5, noonDb: -10, mastersDb: 0 } as const;
