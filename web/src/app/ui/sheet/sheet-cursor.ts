import type { Signal } from '@angular/core';
import { computed, signal } from '@angular/core';
import type { SheetPlace, SheetRange } from './sheet-range';
import { rangeOf, within } from './sheet-range';

/** The cell keys belong to, and the range that reaches from where Shift was pressed to it. */
export class SheetCursor {
  readonly at = signal<SheetPlace>({ row: 0, column: 0 });
  private readonly anchor = signal<SheetPlace | undefined>(undefined);
  readonly range = computed((): SheetRange => rangeOf(this.anchor() ?? this.at(), this.at()));

  constructor(
    private readonly rows: Signal<number>,
    private readonly columns: Signal<number>,
  ) {}

  /** Goes to a place, or to the edge before it. With `extends` the range goes along. */
  moveTo(place: SheetPlace, isExtending = false): void {
    this.anchor.set(isExtending ? (this.anchor() ?? this.at()) : undefined);
    this.at.set(within(place, this.rows(), this.columns()));
  }

  /** A row that was sorted elsewhere took its focus along: keys mean the cell one sees them at. */
  follow(focused: SheetPlace): void {
    if (this.anchor() === undefined) this.at.set(focused);
  }

  /** Everything there is, from the first cell on. */
  all(): void {
    this.anchor.set({ row: 0, column: 0 });
    this.at.set({ row: this.rows() - 1, column: this.columns() - 1 });
  }

  /** One cell again. */
  collapse(): void {
    this.anchor.set(undefined);
  }
}
