import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import type { MatrixPage, MatrixRow, MatrixSource } from '@ft/core/views/consoles/matrixPage';

/** A crosspoint by its row and column, from 0. */
interface Crosspoint {
  readonly row: number;
  readonly column: number;
}

/** What was asked for: a source for a row, or a run of sources for rows from one on. */
export type MatrixWish =
  | { readonly does: 'set'; readonly row: MatrixRow; readonly source: MatrixSource | undefined }
  | {
      readonly does: 'diagonal';
      readonly row: MatrixRow;
      readonly source: MatrixSource;
      readonly count: number;
    };

/** As in the style sheet: a crosspoint, and the room that the names at the left and at the top have. */
const CELL_PX = 22;
const NAMES_PX = 190;
const HEADS_PX = 120;

const STEPS: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  Home: [0, -1e6],
  End: [0, 1e6],
  PageUp: [-16, 0],
  PageDown: [16, 0],
};

/**
 * Sources against destinations. The lines of the grid are drawn, only closed crosspoints are elements: so a large
 * matrix scrolls as fast as the browser can.
 */
@Component({
  selector: 'ft-matrix-grid',
  templateUrl: './matrix-grid.html',
  styleUrl: './matrix-grid.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MatrixGrid {
  readonly page = input.required<MatrixPage>();
  readonly wished = output<MatrixWish>();
  /** The row the keys have come to. */
  readonly reached = output<MatrixRow>();
  private readonly pane = viewChild.required<ElementRef<HTMLElement>>('pane');
  private readonly field = viewChild.required<ElementRef<HTMLElement>>('field');
  protected readonly cellPx = CELL_PX;

  /** What is changed on a page leaves the keys where they are; another page begins at its corner. */
  private readonly section = computed(() => this.page().section);
  protected readonly at = linkedSignal<string, Crosspoint>({
    source: this.section,
    computation: () => ({ row: 0, column: 0 }),
  });
  /** The last row of what is selected downwards. */
  protected readonly until = linkedSignal(() => this.at().row);

  protected readonly points = computed(() =>
    this.page().rows.flatMap(({ source }, row) => (source < 0 ? [] : [{ row, column: source }])),
  );
  /** Whole blocks that are connected, of a coarse patch. */
  protected readonly blocks = computed(() => {
    const { block, rows } = this.page();
    if (block === 1) return [];
    const firsts = rows.flatMap(({ source, place }, row) =>
      place === 0 && source >= 0 ? [{ row, column: source }] : [],
    );
    return firsts.map((first) => ({ ...first, size: Math.min(block, rows.length - first.row) }));
  });
  protected readonly row = computed(() => this.page().rows[this.at().row]);
  protected readonly source = computed(() => this.page().sources[this.at().column]);

  /** What stands at the crosspoint the keys are on, and what a press would do. */
  protected readonly said = computed(() => {
    const [row, source] = [this.row(), this.source()];
    if (row === undefined || source === undefined) return '';
    const carries = row.carries === '' ? '' : `, and carries ${row.carries}`;
    const leads = row.leads === '' ? '' : ` It leads to ${row.leads}.`;
    if (row.source === this.at().column)
      return `${row.name} listens to ${source.name}${carries}.${leads} Space ends it.`;
    const now = this.page().sources[row.source]?.name ?? 'nothing';
    if (!this.canHave(row, source))
      return `${row.name} cannot have ${source.name} alone: this patch moves ${String(this.page().block)} at a time, lane by lane.`;
    return `${row.name} listens to ${now}${carries}. Space gives it ${source.name}.${leads}`;
  });

  protected canHave({ place }: MatrixRow, { places }: MatrixSource): boolean {
    return this.page().block === 1 || places.includes(place);
  }

  protected onKey(event: KeyboardEvent): void {
    const step = STEPS[event.key];
    if (event.altKey) return;
    if (step !== undefined) {
      event.preventDefault();
      if (event.shiftKey) this.extend(step[0]);
      else this.go(this.at().row + step[0], this.at().column + step[1]);
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      this.throwAt(this.at());
    } else if (event.key === 'Delete') this.set(this.row(), undefined);
    else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd') {
      event.preventDefault();
      this.diagonal();
    }
  }

  protected onPress(event: MouseEvent): void {
    const field = this.field().nativeElement;
    // Names at the edges lie over it, and are no crosspoints.
    if (event.target !== field) return;
    const { left, top } = field.getBoundingClientRect();
    const place = {
      row: Math.floor((event.clientY - top) / CELL_PX),
      column: Math.floor((event.clientX - left) / CELL_PX),
    };
    this.go(place.row, place.column);
    this.throwAt(place);
  }

  /** Lays sources one to one, from the crosspoint the keys are on to the end of the selection. */
  protected diagonal(): void {
    const [row, source] = [this.row(), this.source()];
    if (row === undefined || source === undefined) return;
    const { rows } = this.page();
    const until = this.until() > this.at().row ? this.until() : rows.length - 1;
    this.wished.emit({ does: 'diagonal', row, source, count: until - this.at().row + 1 });
  }

  private go(row: number, column: number): void {
    const { rows, sources } = this.page();
    const within = (at: number, count: number): number => Math.max(0, Math.min(at, count - 1));
    const to = { row: within(row, rows.length), column: within(column, sources.length) };
    this.at.set(to);
    this.show(to);
    const reached = rows[to.row];
    if (reached !== undefined) this.reached.emit(reached);
  }

  private extend(rows: number): void {
    this.until.set(Math.max(this.at().row, Math.min(this.until() + rows, this.page().rows.length - 1)));
    this.show({ ...this.at(), row: this.until() });
  }

  /** Brings a crosspoint into sight, clear of the names that stand at the edges. */
  private show({ row, column }: Crosspoint): void {
    const pane = this.pane().nativeElement;
    const [x, y] = [column * CELL_PX, row * CELL_PX];
    const [wide, high] = [pane.clientWidth - NAMES_PX - CELL_PX, pane.clientHeight - HEADS_PX - CELL_PX];
    if (x < pane.scrollLeft) pane.scrollLeft = x;
    else if (x > pane.scrollLeft + wide) pane.scrollLeft = x - wide;
    if (y < pane.scrollTop) pane.scrollTop = y;
    else if (y > pane.scrollTop + high) pane.scrollTop = y - high;
  }

  private throwAt({ row, column }: Crosspoint): void {
    const at = this.page().rows[row];
    const source = this.page().sources[column];
    if (at === undefined || source === undefined) return;
    if (at.source === column) this.set(at, undefined);
    else if (this.canHave(at, source)) this.set(at, source);
  }

  private set(row: MatrixRow | undefined, source: MatrixSource | undefined): void {
    if (row !== undefined) this.wished.emit({ does: 'set', row, source });
  }
}
