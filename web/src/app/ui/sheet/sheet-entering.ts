import type { Signal } from '@angular/core';
import { computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { Changes } from '../../state/changes';
import { DraftActions, draftFeature } from '../../state/draft.feature';
import type { CountedRange } from './sheet-cells';
import type { SheetColumn, SheetEdits, SheetEntry, SheetRefusal, SheetWay } from './sheet-column';

/** Takes texts over from a sheet to its page, and keeps as drafts what the page refuses: nothing typed is lost. */
export class SheetEntering<R> {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly drafts = this.store.selectSignal(draftFeature.selectTexts);

  private readonly hasDrafts = computed(() => Object.keys(this.drafts()).length > 0);

  /** In an injection context. */
  constructor(
    private readonly edits: Signal<SheetEdits<R>>,
    private readonly rowId: Signal<(row: R) => string>,
  ) {}

  draftOf(row: R, column: SheetColumn<R>): string | undefined {
    // Asked for every cell that is drawn, and mostly there is none at all.
    return this.hasDrafts() ? this.drafts()[this.key(row, column)] : undefined;
  }

  keep(row: R, column: SheetColumn<R>, text: string): void {
    this.store.dispatch(DraftActions.keep({ key: this.key(row, column), text }));
  }

  drop(row: R, column: SheetColumn<R>): void {
    const key = this.key(row, column);
    if (key in this.drafts()) this.store.dispatch(DraftActions.drop({ key }));
  }

  /**
   * Takes texts over as one change.
   * @returns whether all were taken, as far as that is known at once.
   */
  enter(entries: readonly SheetEntry<R>[], way: SheetWay): boolean {
    if (entries.length === 0) return true;
    const refused = this.edits().enter(entries, way);
    if (!(refused instanceof Promise)) return this.settle(entries, refused);
    void refused.then((late) => this.settle(entries, late));
    return true;
  }

  /** Counts on down a range, where the page can. */
  countOn({ rows, columns }: CountedRange<R>): void {
    this.edits().countOn?.(rows, columns);
  }

  private settle(entries: readonly SheetEntry<R>[], refused: readonly SheetRefusal<R>[]): boolean {
    const kept = new Set(refused.map(({ entry }) => entry));
    for (const entry of entries) {
      if (kept.has(entry) && entry.text.trim() !== '') this.keep(entry.row, entry.column, entry.text);
      else this.drop(entry.row, entry.column);
    }
    const [first, ...others] = refused;
    if (first === undefined) return true;
    const more = others.length === 0 ? '' : ` So it is with ${String(others.length)} more.`;
    this.changes.complain(`${first.sentence}${more} What you typed is kept.`);
    return false;
  }

  private key(row: R, column: SheetColumn<R>): string {
    return `${this.rowId()(row)}:${column.id}`;
  }
}
