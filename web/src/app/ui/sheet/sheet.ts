import { CdkVirtualScrollViewport, ScrollingModule } from '@angular/cdk/scrolling';
import { NgTemplateOutlet } from '@angular/common';
import type { ElementRef, OnInit, TemplateRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  computed,
  contentChild,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { EditorMove } from './cell-editor';
import { CellEditor, EDITOR_STEPS } from './cell-editor';
import { SheetCell } from './sheet-cell';
import { SheetClipboard } from './sheet-clipboard';
import { SheetCells } from './sheet-cells';
import type { SheetChoice, SheetColumn, SheetEdits } from './sheet-column';
import { isOpen } from './sheet-column';
import { SheetCursor } from './sheet-cursor';
import { SheetEntering } from './sheet-entering';
import type { SheetCommand } from './sheet-keys';
import { sheetCommand } from './sheet-keys';
import { SheetLayout } from './sheet-layout';
import { SheetOrder } from './sheet-order';
import type { SheetPlace } from './sheet-range';
import { isInside, isOneCell } from './sheet-range';
import { GRIP_PX, placeOfCell, ROW_PX, SheetSight, wholePx } from './sheet-sight';
import { SwitchMark } from './switch-mark';

/** The cell that is being edited, by its row and column. */
type Editing = Readonly<{ id: string; column: string; text: string; keepText: boolean }>;

/**
 * The one sheet of the program: a row is a thing, a cell a choice. Walked, ranged, filled, copied and pasted by keys;
 * widths and hidden columns are remembered; only the rows in sight are drawn.
 */
@Component({
  selector: 'ft-sheet',
  imports: [CellEditor, NgTemplateOutlet, ScrollingModule, SwitchMark],
  templateUrl: './sheet.html',
  styleUrl: './sheet.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[style.flex]': 'flex()', '[style.height.px]': 'heightPx()' },
})
export class Sheet<R> implements OnInit {
  /** What it is called: read out, and by which its columns are remembered. */
  readonly name = input.required<string>();
  readonly rows = input.required<readonly R[]>();
  readonly columns = input.required<readonly SheetColumn<R>[]>();
  readonly edits = input.required<SheetEdits<R>>();
  readonly rowId = input.required<(row: R) => string>();
  /** The row that is selected in the program, by its id. */
  readonly selected = input<string>();
  /** The row keys have come to, and the column. */
  readonly reached = output<R>();
  readonly reachedColumn = output<SheetColumn<R> | undefined>();
  private readonly detector = inject(ChangeDetectorRef);
  private readonly viewport = viewChild.required(CdkVirtualScrollViewport);
  readonly body = viewChild.required<ElementRef<HTMLElement>>('body');
  readonly dragged = viewChild.required<TemplateRef<{ readonly $implicit: R }>>('dragged');
  protected readonly drawn = contentChild(SheetCell<R>);
  protected readonly rowPx = ROW_PX;
  protected readonly gripPx = GRIP_PX;

  readonly layout = new SheetLayout<R>(this.name, this.columns);
  protected readonly entering = new SheetEntering<R>(this.edits, this.rowId);
  protected readonly shown = this.layout.shown;
  readonly cursor = new SheetCursor(
    computed(() => this.rows().length),
    computed(() => this.shown().length),
  );
  readonly sight = new SheetSight(this.viewport, this.cursor.at);
  protected readonly editing = signal<Editing | undefined>(undefined);
  private readonly cells = new SheetCells<R>(this.rows, () => this.shown().map(({ column }) => column));

  protected readonly clipboard = new SheetClipboard<R>(
    this.rows,
    this.cursor.range,
    this.cells,
    this.entering,
  );
  protected readonly order = new SheetOrder<R>(this);

  /** All rows where there is room for them; in a column of things, less where there is not. */
  protected readonly heightPx = computed(() => wholePx(this.rows().length));
  protected readonly flex = computed(() => `0 1 ${String(this.heightPx())}px`);
  protected readonly trackRow = (_: number, row: R): string => this.rowId()(row);
  protected readonly inRange = computed(() => {
    const range = this.cursor.range();
    return isOneCell(range)
      ? (): boolean => false
      : (row: number, column: number): boolean => isInside(range, row, column);
  });

  ngOnInit(): void {
    this.layout.recall();
  }

  /** What a row is told by while it is dragged. */
  protected told(row: R): string {
    return this.shown()
      .slice(0, 3)
      .map(({ column }) => column.text(row))
      .join(' ');
  }

  protected isEditing(row: R, column: SheetColumn<R>): boolean {
    const editing = this.editing();
    return editing?.column === column.id && editing.id === this.rowId()(row);
  }

  protected onFocus(row: number, column: number): void {
    const { at } = this.cursor;
    if (at().row !== row || at().column !== column) this.cursor.moveTo({ row, column });
    const reached = this.rows()[row];
    if (reached === undefined) return;
    void this.clipboard.ready();
    this.order.leave(reached);
    this.reached.emit(reached);
    this.reachedColumn.emit(this.shown()[column]?.column);
  }

  /** A range is drawn with the pointer held down, or reached with Shift. */
  protected onPointerDown(event: MouseEvent, row: number, column: number): void {
    if (this.editing() !== undefined) return;
    if (event.shiftKey) {
      event.preventDefault();
      this.goTo({ row, column }, true);
    } else this.cursor.collapse();
  }

  protected onPointerOver(event: MouseEvent, row: number, column: number): void {
    if ((event.buttons & 1) === 1 && this.editing() === undefined) this.goTo({ row, column }, true);
  }

  protected onKey(event: KeyboardEvent): void {
    const cell = (event.target as Element).closest('td');
    if (this.editing() !== undefined || cell === null) return;
    this.cursor.follow(placeOfCell(cell));
    const command = sheetCommand(event, this.sight.pageRows);
    if (command === undefined) return;
    event.preventDefault();
    this.carryOut(command);
  }

  private carryOut(command: SheetCommand): void {
    const { row, column } = this.cursor.at();
    const here = this.cells.at(this.cursor.at());
    if (command.does === 'move') {
      this.goTo({ row: row + command.rows, column: column + command.columns }, command.extends);
    } else if (command.does === 'all') this.cursor.all();
    else if (here === undefined) return;
    else if (command.does === 'edit') this.open(here.row, here.column, command.typed);
    else if (command.does === 'clear') this.clear();
    else if (command.does === 'toggle') this.edits().toggle?.(here.row, here.column);
    else if (command.does === 'fill') this.entering.enter(this.cells.filled(this.cursor.range()), 'filled');
    else if (command.does === 'count') this.entering.countOn(this.cells.counted(this.cursor.range()));
    else if (command.does === 'shift') this.order.step(here.row, command.rows);
    else if (command.does === 'widen') this.layout.widen(here.column.id, command.px);
    else if (command.does === 'remove') this.edits().remove?.(here.row);
    else this.leave(here.row, here.column);
  }

  /** Opens a cell: with the key just pressed, the text kept from before, or what stands there. */
  protected open(row: R, column: SheetColumn<R>, typed?: string): void {
    if (!isOpen(column, row)) this.edits().open?.(row, column);
    else if (column.editor === 'switch') {
      if (typed === undefined) this.edits().toggle?.(row, column);
    } else {
      const draft = this.entering.draftOf(row, column);
      const text = typed ?? draft ?? column.text(row);
      const keepText = typed !== undefined || draft !== undefined;
      this.editing.set({ id: this.rowId()(row), column: column.id, text, keepText });
      // The editor must be there before the next key is pressed, or a quick hand loses letters.
      this.detector.detectChanges();
      if (typed !== undefined) this.entering.keep(row, column, typed);
    }
  }

  protected searchFor(
    row: R,
    column: SheetColumn<R>,
  ): ((text: string) => Promise<readonly SheetChoice[]>) | undefined {
    const edits = this.edits();
    return column.editor === 'choice' && edits.search !== undefined
      ? async (text) => (await edits.search?.(row, column, text)) ?? []
      : undefined;
  }

  /** A switch is thrown where it is pressed. */
  protected onPress(event: Event, row: R, column: SheetColumn<R>): void {
    if (column.editor !== 'switch' || !isOpen(column, row)) return;
    if ((event.target as Element).closest('[data-switch]') !== null) this.edits().toggle?.(row, column);
  }

  protected onEntered(
    row: R,
    column: SheetColumn<R>,
    { text, move }: { text: string; move: EditorMove },
  ): void {
    const isChanged = text !== column.text(row) || this.entering.draftOf(row, column) !== undefined;
    const isTaken = !isChanged || this.entering.enter([{ row, column, text }], 'typed');
    this.editing.set(undefined);
    if (move !== 'none') this.step(isTaken ? move : 'none');
  }

  protected onChosen(row: R, column: SheetColumn<R>, choice: SheetChoice): void {
    this.edits().choose?.(row, column, choice);
    this.entering.drop(row, column);
    this.editing.set(undefined);
    this.step('none');
  }

  protected onCancelled(row: R, column: SheetColumn<R>): void {
    this.entering.drop(row, column);
    this.editing.set(undefined);
    this.step('none');
  }

  private clear(): void {
    const range = this.cursor.range();
    const only = this.cells.only(range);
    if (only !== undefined) {
      this.entering.drop(only.row, only.column);
      if (this.edits().clear?.(only.row, only.column) === true) return;
    }
    this.entering.enter(this.cells.cleared(range), 'cleared');
  }

  private leave(row: R, column: SheetColumn<R>): void {
    this.cursor.collapse();
    this.entering.drop(row, column);
  }

  private step(move: EditorMove): void {
    const { row, column } = this.cursor.at();
    const [rows, columns] = EDITOR_STEPS[move];
    this.goTo({ row: row + rows, column: column + columns });
  }

  /** Goes to a cell and gives it the keys. */
  private goTo(place: SheetPlace, isExtending = false): void {
    this.cursor.moveTo(place, isExtending);
    this.sight.focus(this.cursor.at());
  }
}
