import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import type { RigTableName } from '@ft/core/formats/csv/rigTables';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import { saveText } from '../../../ui/save-text';
import { Changes } from '../../../state/changes';
import { RigChanges } from '../rig-changes';
import { TableExchange } from '../../../ui/table-exchange/table-exchange';
import { PartPage } from '../../../shell/part';

interface Table {
  readonly name: RigTableName;
  readonly title: string;
  readonly columns: string;
}

const TABLES: readonly [Table, ...Table[]] = [
  {
    name: 'devices',
    title: 'Devices',
    columns: 'Name, Room, Kind, Data (such as channels=8; phantom=yes), Rack',
  },
  {
    name: 'ports',
    title: 'Connectors',
    columns: 'Device, Name, Direction, Medium, Connector, Lanes, Face, Impedance Ω, Maximum dBu',
  },
  { name: 'wires', title: 'Fixed wiring', columns: 'From, To' },
  { name: 'labels', title: 'Bay labels', columns: 'Bay, Column, Row, Label' },
];

/** The rig as tables: pasted, read from CSV, and written. */
@Component({
  selector: 'ft-tables-page',
  imports: [PartPage, TableExchange],
  template: `
    <ft-part of="rig/tables">
      <div class="tabs" role="group" aria-label="Table">
        @for (each of tables; track each.name) {
          <button type="button" [attr.aria-pressed]="table().name === each.name" (click)="choose(each)">
            {{ each.title }}
          </button>
        }
      </div>
      <ft-table-exchange
        [name]="table().title"
        [columns]="table().columns"
        [reading]="reading()"
        (tried)="try($event)"
        (taken)="take()"
        (wanted)="write()"
      />
    </ft-part>
  `,
  styles: `
    :host {
      flex: 1;
      min-height: 0;
      overflow: auto;
    }
    .tabs {
      display: flex;
      gap: 0.3rem;
      padding: 0.5rem 0.75rem 0;
    }
    .tabs button[aria-pressed='true'] {
      border-color: var(--ft-thread);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TablesPage {
  private readonly all = inject(Changes);
  private readonly changes = inject(RigChanges);
  protected readonly tables = TABLES;
  protected readonly table = signal<Table>(TABLES[0]);
  protected readonly reading = signal<TableReading | undefined>(undefined);

  protected choose(table: Table): void {
    this.table.set(table);
    this.reading.set(undefined);
  }

  protected async try(text: string): Promise<void> {
    const { name } = this.table();
    this.reading.set(await this.all.worked('Read the table', (api) => api.readTable(name, text)));
  }

  protected take(): void {
    const reading = this.reading();
    if (reading?.ok !== true) return;
    this.changes.change(
      `Table of ${this.table().title.toLowerCase()} (${String(reading.lines.length)} lines)`,
      reading.edits,
    );
    this.reading.set(undefined);
  }

  protected async write(): Promise<void> {
    const { name } = this.table();
    const text = await this.all.worked('Write the table', (api) => api.writeTable(name));
    if (text !== undefined) saveText(`${name}.csv`, text, 'text/csv');
  }
}
