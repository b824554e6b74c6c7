import { Directive, inject, TemplateRef } from '@angular/core';
import type { SheetColumn } from './sheet-column';

/** What a template for a cell is given. */
interface CellContext<R> {
  readonly $implicit: R;
  readonly column: SheetColumn<R>;
}

/** How a page draws a cell that is not being edited; without one the sheet shows its text. */
@Directive({ selector: 'ng-template[ftSheetCell]' })
export class SheetCell<R> {
  readonly template = inject<TemplateRef<CellContext<R>>>(TemplateRef);
}
