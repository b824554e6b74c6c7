/** The least width of a column, pixels: a heading breaks between its words, and each has room. */
export const headingWidthPx = (title: string): number =>
  18 + 8 * Math.max(...title.split(' ').map((word) => word.length));
