import type { CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import type { Signal } from '@angular/core';
import { afterNextRender, effect, ElementRef, inject, Injector, signal } from '@angular/core';
import type { SheetPlace } from './sheet-range';

/** Height of a row, pixels: known beforehand, so that only what is in sight has to be drawn. */
export const ROW_PX = 27;
const HEAD_PX = 44;
/** Width of the grip a row is dragged by, pixels. */
export const GRIP_PX = 22;
const SCROLL_BAR_PX = 16;

/** What a sheet of so many rows takes without scrolling, pixels. */
export const wholePx = (rows: number): number => rows * ROW_PX + HEAD_PX + SCROLL_BAR_PX;

/** Where a cell stands that is drawn. */
export const placeOfCell = (cell: HTMLElement): SheetPlace => ({
  row: Number(cell.parentElement?.dataset['row']),
  column: Number(cell.dataset['column']),
});

/** Which part of a sheet is in sight, and the focus in it: only rows in sight are drawn. */
export class SheetSight {
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly injector = inject(Injector);
  /** How far the drawn rows are moved down, pixels: the head is held back by as much. */
  readonly offsetPx = signal(0);

  /** In an injection context. */
  constructor(
    private readonly viewport: Signal<CdkVirtualScrollViewport>,
    private readonly at: Signal<SheetPlace>,
  ) {
    effect((onCleanup) => {
      const there = this.viewport();
      const sizes = new ResizeObserver(() => {
        there.checkViewportSize();
      });
      sizes.observe(there.elementRef.nativeElement);
      const ranges = there.renderedRangeStream.subscribe(({ start, end }) => {
        this.offsetPx.set(start * ROW_PX);
        this.holdFocus(start, end);
      });
      onCleanup(() => {
        sizes.disconnect();
        ranges.unsubscribe();
      });
    });
  }

  /** How many rows a page key moves. */
  get pageRows(): number {
    return Math.max(1, Math.floor(this.viewport().getViewportSize() / ROW_PX) - 2);
  }

  /** Gives a cell the keys at once; one that is not drawn yet first comes into sight. */
  focus({ row, column }: SheetPlace): void {
    const cell = this.cell(row, column);
    cell?.focus({ preventScroll: true });
    this.scrollTo(row);
    if (cell !== undefined) cell.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    else afterNextRender(() => this.cell(row, column)?.focus(), { injector: this.injector });
  }

  private scrollTo(row: number): void {
    const viewport = this.viewport();
    const [top, height] = [viewport.measureScrollOffset('top'), viewport.getViewportSize() - HEAD_PX];
    const [from, to] = [row * ROW_PX, (row + 1) * ROW_PX];
    if (from < top) viewport.scrollToOffset(from);
    else if (to > top + height) viewport.scrollToOffset(to - height);
  }

  private cell(row: number, column: number): HTMLElement | undefined {
    const at = `[data-row="${String(row)}"] > [data-column="${String(column)}"]`;
    return this.element.querySelector<HTMLElement>(at) ?? undefined;
  }

  /** A row that scrolls out of sight takes its focus with it: the sheet holds it, so that keys are not lost. */
  private holdFocus(start: number, end: number): void {
    const { row } = this.at();
    const isGoing = (row < start || row >= end) && this.element.contains(document.activeElement);
    if (isGoing) this.viewport().elementRef.nativeElement.focus({ preventScroll: true });
  }
}
