import type { Mounted } from './mount';
import { until } from './mount';

/** The control of a form whose label begins so, on the page or in what lies over it. */
export function field(label: string, inside: ParentNode = document): HTMLInputElement {
  const named = [...inside.querySelectorAll('label')].find(({ textContent }) =>
    textContent.trim().startsWith(label),
  );
  const control = named && document.getElementById(named.htmlFor);
  if (control === null || control === undefined) throw new Error(`there is no field “${label}”`);
  return control as HTMLInputElement;
}

/** Types into a field and leaves it. */
export function fill(page: Mounted<unknown>, label: string, text: string, inside?: ParentNode): void {
  const control = field(label, inside);
  control.value = text;
  for (const event of ['input', 'change', 'blur'])
    control.dispatchEvent(new Event(event, { bubbles: event !== 'blur' }));
  page.fixture.detectChanges();
}

/** Chooses what is called so in a field. */
export function pick(page: Mounted<unknown>, label: string, name: string): void {
  const select = field(label) as unknown as HTMLSelectElement;
  select.selectedIndex = [...select.options].findIndex(({ textContent }) => textContent.trim() === name);
  select.dispatchEvent(new Event('change', { bubbles: true }));
  page.fixture.detectChanges();
}

export const submit = (form: Element | null): boolean | undefined =>
  form?.dispatchEvent(new Event('submit', { cancelable: true }));

/** What lies over the page: the question or the panel that is open. */
export const over = (): HTMLElement | null => document.querySelector('.modal, .offcanvas');

/** A cell of a sheet, by what its row has in it and the title of its column. */
export function cellOf(sheet: ParentNode, row: string, title: string): HTMLElement {
  const heads = [...sheet.querySelectorAll('thead th')].map(({ textContent }) => textContent.trim());
  const column = heads.findIndex((head) => head === title || head.startsWith(`${title} `));
  const there = [...sheet.querySelectorAll('tbody tr')].find(({ textContent }) => textContent.includes(row));
  const cell = there?.querySelectorAll<HTMLElement>('td')[column];
  if (cell === undefined) throw new Error(`there is no cell “${title}” of “${row}”`);
  return cell;
}

/** Types into a cell of a sheet and goes on with Enter. */
export async function enterCell(page: Mounted<unknown>, cell: HTMLElement, text: string): Promise<void> {
  cell.focus();
  page.press(cell, 'Enter');
  const editor = (): HTMLInputElement | null => cell.querySelector('input');
  await until(() => editor() !== null && editor() === document.activeElement, 'the editor');
  editor()!.value = text;
  editor()!.dispatchEvent(new Event('input'));
  page.press(editor()!, 'Enter');
}
