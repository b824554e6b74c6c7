import type { ChannelRowView, ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';

/** A line of the sheet: the head of a section, or a row of the device. */
export type ConsoleRow =
  | {
      readonly kind: 'section';
      readonly id: string;
      readonly title: string;
      readonly rows: number;
      readonly isFolded: boolean;
    }
  | { readonly kind: 'row'; readonly id: string; readonly row: ChannelRowView };

/** What is looked at of a device: everything, what this job uses, one layer of faders, or rows somebody named. */
export type ConsoleLook = 'all' | 'used' | { readonly layer: string } | { readonly rows: readonly string[] };

/** Sections, with their rows where they are not folded. */
function inSections(
  sheet: ChannelSheetView,
  folded: ReadonlySet<string>,
  isShown: (row: ChannelRowView) => boolean,
): readonly ConsoleRow[] {
  return sheet.sections.flatMap(({ id, title }): readonly ConsoleRow[] => {
    const rows = sheet.rows.filter((row) => row.section === id && isShown(row));
    if (rows.length === 0) return [];
    const isFolded = folded.has(id);
    const head: ConsoleRow = { kind: 'section', id: `section:${id}`, title, rows: rows.length, isFolded };
    return [head, ...(isFolded ? [] : rows.map((row): ConsoleRow => ({ kind: 'row', id: row.id, row })))];
  });
}

/** The lines of the sheet, in order. Hiding never changes what sounds. */
export function consoleRows(
  sheet: ChannelSheetView,
  look: ConsoleLook,
  folded: ReadonlySet<string>,
): readonly ConsoleRow[] {
  if (look === 'all') return inSections(sheet, folded, () => true);
  if (look === 'used') return inSections(sheet, folded, ({ isUsed }) => isUsed);
  if ('rows' in look) {
    const named = new Set(look.rows);
    return inSections(sheet, folded, ({ id }) => named.has(id));
  }
  const byId = new Map(sheet.rows.map((row) => [row.id, row]));
  const layer = sheet.layers.find(({ id }) => id === look.layer);
  return (layer?.rows ?? []).flatMap((id): readonly ConsoleRow[] => {
    const row = byId.get(id);
    return row === undefined ? [] : [{ kind: 'row', id, row }];
  });
}
