/** What somebody made of a sheet's columns: kept in this browser, by the sheet's name. */
export interface SheetMemory {
  readonly widths: Readonly<Record<string, number>>;
  /** False where a column is hidden. */
  readonly shown: Readonly<Record<string, boolean>>;
}

const keyOf = (sheet: string): string => `ft-sheet:${sheet}`;

export function remembered(sheet: string): SheetMemory {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(sheet)) ?? '{}') as Partial<SheetMemory>;
    return { widths: kept.widths ?? {}, shown: kept.shown ?? {} };
  } catch {
    return { widths: {}, shown: {} };
  }
}

export const remember = (sheet: string, memory: SheetMemory): void => {
  localStorage.setItem(keyOf(sheet), JSON.stringify(memory));
};
