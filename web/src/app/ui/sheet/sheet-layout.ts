import type { Signal } from '@angular/core';
import { computed, signal } from '@angular/core';
import type { AngularTable, Header, Updater } from '@tanstack/angular-table';
import {
  columnResizingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  injectTable,
  tableFeatures,
} from '@tanstack/angular-table';
import type { SheetColumn } from './sheet-column';
import type { SheetMemory } from './sheet-memory';
import { remember, remembered } from './sheet-memory';

const FEATURES = tableFeatures({ columnSizingFeature, columnResizingFeature, columnVisibilityFeature });
const LEAST_WIDTH_PX = 28;
/** Rows are the page's and in its order; the table keeps columns only. */
const NO_ROWS: Record<string, never>[] = [];

type Columns = AngularTable<typeof FEATURES, Record<string, never>>;
type SheetHeader = Header<typeof FEATURES, Record<string, never>>;

/** Columns as somebody has set them: widths, and which are hidden. */
export class SheetLayout<R> {
  private readonly memory = signal<SheetMemory>({ widths: {}, shown: {} });
  private readonly table: Columns;

  /** In an injection context. */
  constructor(
    private readonly sheet: Signal<string>,
    private readonly columns: Signal<readonly SheetColumn<R>[]>,
  ) {
    this.table = injectTable(() => ({
      features: FEATURES,
      data: NO_ROWS,
      columns: this.columns().map(({ id, widthPx }) => ({ id, size: widthPx, minSize: LEAST_WIDTH_PX })),
      columnResizeMode: 'onChange' as const,
      state: { columnSizing: this.memory().widths, columnVisibility: this.visibility() },
      onColumnSizingChange: (next: Updater<Record<string, number>>) => {
        this.set({ widths: typeof next === 'function' ? next(this.memory().widths) : next });
      },
      onColumnVisibilityChange: (next: Updater<Record<string, boolean>>) => {
        this.set({ shown: typeof next === 'function' ? next(this.visibility()) : next });
      },
    }));
  }

  /** What somebody has said stands; else what is folded is out of sight. */
  private readonly visibility = computed((): Record<string, boolean> => ({
    ...Object.fromEntries(this.columns().map(({ id, isFolded }) => [id, isFolded !== true])),
    ...this.memory().shown,
  }));

  /** Once the sheet knows its name. */
  recall(): void {
    this.memory.set(remembered(this.sheet()));
  }

  /** The columns in sight, with their widths, pixels. */
  readonly shown = computed(() => {
    const byId = new Map(this.columns().map((column) => [column.id, column]));
    return this.table.getVisibleLeafColumns().flatMap((each) => {
      const column = byId.get(each.id);
      return column === undefined ? [] : [{ column, widthPx: each.getSize() }];
    });
  });

  readonly widthPx = computed(() => this.shown().reduce((sum, { widthPx }) => sum + widthPx, 0));

  /** Every column, and whether it is in sight: for the menu that hides them. */
  readonly all = computed(() =>
    this.table.getAllLeafColumns().map((each) => ({
      id: each.id,
      title: this.columns().find(({ id }) => id === each.id)?.title ?? each.id,
      isShown: each.getIsVisible(),
    })),
  );

  show(id: string, isShown: boolean): void {
    this.table.getColumn(id)?.toggleVisibility(isShown);
  }

  /** Makes a column wider, or narrower. */
  widen(id: string, px: number): void {
    const now = this.table.getColumn(id)?.getSize();
    if (now === undefined) return;
    this.set({ widths: { ...this.memory().widths, [id]: Math.max(LEAST_WIDTH_PX, now + px) } });
  }

  /** Takes hold of the edge of a column's head. */
  grab(id: string, event: Event): void {
    const headers: readonly SheetHeader[] = this.table.getLeafHeaders();
    headers.find((header) => header.column.id === id)?.getResizeHandler()(event);
  }

  /** All columns as the page made them. */
  reset(): void {
    this.set({ widths: {}, shown: {} });
  }

  private set(change: Partial<SheetMemory>): void {
    this.memory.update((memory) => ({ ...memory, ...change }));
    remember(this.sheet(), this.memory());
  }
}
