import { Directive, inject, input, TemplateRef } from '@angular/core';
import type { SheetColumn } from './sheet-column';

/** What a template for a cell is given. */
interface CellContext<R> {
  readonly $implicit: R;
  readonly column: SheetColumn<R>;
}

/** How a page draws cells that are not being edited, all or some; the sheet shows the text of the others. */
@Directive({ selector: 'ng-template[ftSheetCell]' })
export class SheetCell<R> {
  readonly template = inject<TemplateRef<CellContext<R>>>(TemplateRef);
  /** Which cells are drawn so; left out, all. */
  readonly ftSheetCellFor = input<(row: R, column: SheetColumn<R>) => boolean>(() => true);
  /** This, where it draws a cell. */
  of(row: R, column: SheetColumn<R>): SheetCell<R> | undefined {
    return this.ftSheetCellFor()(row, column) ? this : undefined;
  }
}
