import { inject, Injectable, signal } from '@angular/core';
import type { ChannelEntry, ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { Changes } from '../../state/changes';
import { cellsLabel, enterCells } from '../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../ui/sheet/sheet-column';
import { Planner } from '../../workers/planner.service';
import type { ConsoleRow } from './console-row';
import type { MatrixWish } from './matrix-grid';

type Column = SheetColumn<ConsoleRow>;
type Entry = SheetEntry<ConsoleRow>;

/** Turns what a person does in the cells of a channel sheet into changes. */
@Injectable()
export class ChannelEdits implements SheetEdits<ConsoleRow> {
  private readonly changes = inject(Changes);
  private readonly planner = inject(Planner);
  /** The device whose sheet is open; the page says which. */
  readonly sheet = signal<ChannelSheetView | undefined>(undefined);
  /** What the head of a section does when it is pressed. */
  fold: (section: string) => void = () => undefined;

  async enter(entries: readonly Entry[], way: SheetWay): Promise<readonly SheetRefusal<ConsoleRow>[]> {
    const sheet = this.sheet();
    const [first] = entries;
    if (first === undefined || sheet === undefined) return [];
    const cells = entries.map(({ row, column, text }): ChannelEntry => ({
      ...{ row: row.id, column: column.id, text },
    }));
    const label =
      entries.length === 1 && first.row.kind === 'row'
        ? `${sheet.name}: ${first.row.row.name}, ${first.column.title.toLowerCase()} ${first.text}`.trim()
        : `${sheet.name}: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.channelCells(sheet.device, cells));
  }

  async search(row: ConsoleRow, column: Column, text: string): Promise<readonly SheetChoice[]> {
    const device = this.sheet()?.device;
    if (device === undefined) return [];
    return this.planner.api.cellChoices({ device, row: row.id, column: column.id }, text);
  }

  choose(row: ConsoleRow, column: Column, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  toggle(row: ConsoleRow, column: Column): void {
    if (row.kind === 'section') this.open(row);
    else if (column.editor === 'switch' && column.isShut?.(row) !== true)
      void this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }], 'typed');
  }

  /** Enter on the head of a section folds it. */
  open(row: ConsoleRow): void {
    if (row.kind === 'section') this.fold(row.id.replace('section:', ''));
  }

  countOn(rows: readonly ConsoleRow[], columns: readonly Column[]): void {
    const sheet = this.sheet();
    const ids = rows.flatMap((row) => (row.kind === 'row' ? [row.id] : []));
    if (sheet === undefined || ids.length < 2) return;
    const label = `${sheet.name}: counted on over ${String(ids.length)} rows`;
    void this.plan(label, (api) =>
      api.countChannels(sheet.device, { rows: ids, columns: columns.map(({ id }) => id) }),
    );
  }

  /** A crosspoint of the matrix is closed or opened, or a run of them laid. */
  cross(wish: MatrixWish): void {
    const sheet = this.sheet();
    if (sheet === undefined) return;
    const { row, source } = wish;
    if (wish.does === 'diagonal') {
      const { count } = wish;
      const label = `${sheet.name}: ${wish.source.name} and on, to ${String(count)} rows`;
      void this.plan(label, (api) =>
        api.spillChannels(sheet.device, { first: wish.source.name, count, row: row.id }),
      );
    } else {
      const text = source?.name ?? 'none';
      void this.plan(`${sheet.name}: ${row.name} listens to ${text}`, (api) =>
        api.channelCells(sheet.device, [{ row: row.id, column: 'source', text }]),
      );
    }
  }

  /** Makes a plan of many cells at once, and says what was left out of it. */
  async plan(label: string, ask: (api: Planner['api']) => Promise<ChannelPlan>): Promise<void> {
    const plan = await this.changes.worked(label, ask);
    if (plan === undefined) return;
    this.changes.make(label, plan.edits);
    const [first, ...others] = plan.refused;
    if (first !== undefined)
      this.changes.complain(
        `${first.row}: ${first.sentence}${others.length === 0 ? '' : ` So it is with ${String(others.length)} more.`}`,
      );
  }
}
