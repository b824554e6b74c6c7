/** Rows that lie under the faders of one layer, and which of all they are, from 1. */
export interface FaderPage {
  readonly rows: readonly string[];
  readonly from: number;
  readonly to: number;
}

/** Rows cut into layers of so many faders, the last as long as it is. */
export const pagesOf = (rows: readonly string[], faders: number): readonly FaderPage[] =>
  Array.from({ length: Math.ceil(rows.length / faders) }, (_, i) => {
    const page = rows.slice(i * faders, (i + 1) * faders);
    return { rows: page, from: i * faders + 1, to: i * faders + page.length };
  });
