import { moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, signal } from '@angular/core';
import { readOnOff } from '@ft/core/typed/settingText';
import { ColumnMenu } from '../app/ui/sheet/column-menu';
import { Sheet } from '../app/ui/sheet/sheet';
import type { SheetColumn, SheetEdits, SheetEntry, SheetRefusal } from '../app/ui/sheet/sheet-column';

/** A line that stands for any: its texts by column. */
interface KitLine {
  readonly id: string;
  readonly texts: Readonly<Record<string, string>>;
}

const KINDS = ['text', 'figure', 'choice', 'switch'] as const;
const SHELVES = ['left rack', 'right rack', 'cart'];
const COLUMNS = 20;

const columns: readonly SheetColumn<KitLine>[] = Array.from({ length: COLUMNS }, (_, i) => {
  const editor = KINDS[i % KINDS.length] ?? 'text';
  const id = `c${String(i + 1)}`;
  return {
    ...{ id, title: `${editor} ${String(i + 1)}`, widthPx: 96, editor, isFigure: editor === 'figure' },
    text: ({ texts }) => texts[id] ?? '',
  };
});

const firstText = (row: number, column: number): string =>
  [`line ${String(row)}`, String(row * column), SHELVES[row % SHELVES.length] ?? '', row % 2 ? 'on' : 'off'][
    column % KINDS.length
  ] ?? '';

const linesTo = (count: number): readonly KitLine[] =>
  Array.from({ length: count }, (_, row) => ({
    id: `kit-${String(row)}`,
    texts: Object.fromEntries(columns.map(({ id }, column) => [id, firstText(row, column)])),
  }));

/** A sheet of any number of lines, all kinds of cells in it, that keeps what is entered to itself. */
@Component({
  selector: 'ft-kit-sheet',
  imports: [ColumnMenu, Sheet],
  template: `
    <ft-column-menu [layout]="sheet.layout" />
    <ft-sheet
      #sheet
      name="Kit"
      [rows]="lines()"
      [columns]="columns"
      [edits]="edits"
      [rowId]="rowId"
      [style.height.px]="360"
    />
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitSheet {
  readonly count = input.required<number>();
  protected readonly columns = columns;
  protected readonly rowId = ({ id }: KitLine): string => id;
  private readonly changed = signal<ReadonlyMap<string, KitLine>>(new Map());
  private readonly order = linkedSignal(() => linesTo(this.count()));
  protected readonly lines = computed(() => this.order().map((line) => this.changed().get(line.id) ?? line));

  protected readonly edits: SheetEdits<KitLine> = {
    enter: (entries) => this.enter(entries),
    search: (_, __, text) =>
      Promise.resolve(
        SHELVES.filter((name) => name.includes(text.toLowerCase())).map((name) => ({ id: name, name })),
      ),
    choose: (row, column, { name }) => {
      this.enter([{ row, column, text: name }]);
    },
    toggle: (row, column) => {
      if (column.editor === 'switch')
        this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }]);
    },
    move: (row, by) => {
      const order = [...this.order()];
      const from = order.findIndex(({ id }) => id === row.id);
      moveItemInArray(order, from, from + by);
      this.order.set(order);
    },
  };

  private enter(entries: readonly SheetEntry<KitLine>[]): readonly SheetRefusal<KitLine>[] {
    const refused: SheetRefusal<KitLine>[] = [];
    const changed = new Map(this.changed());
    for (const entry of entries) {
      const { row, column, text } = entry;
      const read = column.editor === 'switch' ? readOnOff(column.title, text) : undefined;
      if (read?.ok === false) refused.push({ entry, sentence: read.sentence });
      else {
        const line = changed.get(row.id) ?? row;
        changed.set(row.id, { ...line, texts: { ...line.texts, [column.id]: text } });
      }
    }
    this.changed.set(changed);
    return refused;
  }
}
