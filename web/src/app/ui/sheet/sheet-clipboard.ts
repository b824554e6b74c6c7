import type { Signal } from '@angular/core';
import { inject } from '@angular/core';
import { Changes } from '../../state/changes';
import type { SheetCells } from './sheet-cells';
import type { SheetEntering } from './sheet-entering';
import type { SheetRange } from './sheet-range';
import { spread } from './sheet-range';
import type { SheetText } from './sheet-text';
import { sheetText } from './sheet-text';

/** Ranges exchanged with a spreadsheet, as tab-separated text. */
export class SheetClipboard<R> {
  private readonly changes = inject(Changes);
  private text: SheetText | undefined;

  /** In an injection context. */
  constructor(
    private readonly rows: Signal<readonly R[]>,
    private readonly range: Signal<SheetRange>,
    private readonly cells: SheetCells<R>,
    private readonly entering: SheetEntering<R>,
  ) {}

  /** A cell has the keys: what reads and writes a spreadsheet's text is there before they are pressed. */
  async ready(): Promise<void> {
    this.text ??= await sheetText();
  }

  copy(event: ClipboardEvent): void {
    const { text } = this;
    if (text === undefined) return;
    event.clipboardData?.setData('text/plain', text.write(this.cells.texts(this.range())));
    event.preventDefault();
  }

  paste(event: ClipboardEvent): void {
    const { text } = this;
    if (text === undefined) return;
    event.preventDefault();
    const pasted = text.read(event.clipboardData?.getData('text/plain') ?? '');
    const placed = spread(pasted, this.range());
    this.entering.enter(this.cells.entries(placed), 'pasted');
    const missed = new Set(placed.filter(({ row }) => row >= this.rows().length).map(({ row }) => row)).size;
    if (missed > 0)
      this.changes.complain(
        `${missed === 1 ? 'One line' : `${String(missed)} lines`} of what you pasted had no line here to go to.`,
      );
  }
}
