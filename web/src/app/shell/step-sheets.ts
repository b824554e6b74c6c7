/**
 * Puts the keys on the cell a sheet was left at: of the next sheet of the page, or of the one before, round and round;
 * of the first, or the last, where they are in none.
 */
export function stepSheets(page: ParentNode, by: 1 | -1): void {
  const { activeElement } = document;
  const sheets = [...page.querySelectorAll('[role=grid]')];
  const cells = sheets.flatMap((sheet) => {
    const cell = sheet.querySelector<HTMLElement>('[tabindex="0"]');
    return cell === null ? [] : [{ cell, isHere: sheet.contains(activeElement) }];
  });
  const here = cells.findIndex(({ isHere }) => isHere);
  const next = here < 0 && by < 0 ? -1 : (here + by) % cells.length;
  cells.at(next)?.cell.focus();
}
