/** Rows of cells as a spreadsheet exchanges them over the clipboard: tab-separated, quoted where need be. */
export interface SheetText {
  write(rows: readonly (readonly string[])[]): string;
  read(text: string): readonly (readonly string[])[];
}

/** The reader and writer; they come when a cell of a sheet first has the keys, not before. */
export async function sheetText(): Promise<SheetText> {
  const { default: papa } = await import('papaparse');
  return {
    write: (rows) => papa.unparse(rows as string[][], { delimiter: '\t', newline: '\n' }),
    read(text) {
      const { data } = papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
      return data;
    },
  };
}
