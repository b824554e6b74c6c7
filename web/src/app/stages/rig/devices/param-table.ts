import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { ParamField } from '@ft/core/rig/paramFields';
import { nameMatches } from '@ft/core/text/nameMatch';
import { readOnOff } from '@ft/core/typed/settingText';
import type { CellReading } from '@ft/core/text/cellReading';
import { refuse, value } from '@ft/core/text/cellReading';
import { entryOf, readField } from '../../../ui/form/form-field';
import { Sheet } from '../../../ui/sheet/sheet';
import type { SheetColumn, SheetEdits, SheetEntry, SheetRefusal } from '../../../ui/sheet/sheet-column';
import { deviceField } from './device-fields';

type Row = Readonly<Record<string, unknown>>;
/** A row with its place in the table, by which it is known. */
type Placed = Readonly<{ at: number; row: Row }>;

const EDITORS: Readonly<Record<ParamField['kind'], SheetColumn<Placed>['editor']>> = {
  ...{ number: 'figure', numbers: 'text', text: 'text', choice: 'choice', switch: 'switch' },
  ...{ table: undefined, record: undefined },
};

function textOf(param: ParamField, { row }: Placed): string {
  const held = row[param.key] ?? param.typical;
  return param.kind === 'switch' ? (held === true ? 'on' : 'off') : String(entryOf(deviceField(param), held));
}

function readCell(param: ParamField, text: string): CellReading<unknown> {
  const field = deviceField(param);
  if (param.kind === 'switch') return readOnOff(field.label, text);
  if (param.kind !== 'choice') return readField(field, text);
  if (text.trim() === '' && !param.required) return value(undefined);
  const chosen = param.choices.find((choice) => choice.toLowerCase() === text.trim().toLowerCase());
  return chosen === undefined
    ? refuse(`“${text.trim()}” is none of ${param.choices.join(', ')}.`)
    : value(chosen);
}

/** A list of rows inside a device's data: sections of a bay, connectors of a unit of one's own. */
@Component({
  selector: 'ft-param-table',
  imports: [Sheet],
  template: `
    <h3>{{ label() }}</h3>
    @if (placed().length > 0) {
      <ft-sheet [name]="label()" [rows]="placed()" [columns]="shown()" [edits]="edits" [rowId]="rowId" />
    }
    @if (problem(); as text) {
      <p class="error" role="alert">▲ {{ text }}</p>
    }
    <button type="button" (click)="add()">Add a row</button>
    @if (placed().length > 0) {
      <span class="quiet">Ctrl Delete takes a row out</span>
    }
  `,
  styles: `
    :host {
      display: block;
      flex-basis: 100%;
      min-width: 0;
    }
    p {
      margin: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParamTable {
  readonly columns = input.required<readonly ParamField[]>();
  readonly rows = input.required<readonly Row[]>();
  readonly label = input('');
  readonly problem = input<string>();
  readonly changed = output<readonly Row[]>();

  protected readonly placed = computed(() => this.rows().map((row, at): Placed => ({ at, row })));
  protected readonly rowId = ({ at }: Placed): string => `rows:${this.label()}:${String(at)}`;
  protected readonly shown = computed(() =>
    this.columns().map((param): SheetColumn<Placed> => {
      const { label, unit = '' } = deviceField(param);
      const editor = EDITORS[param.kind];
      return {
        ...{ id: param.key, title: label, unit, widthPx: 104 },
        ...{ isFigure: param.kind === 'number', isRequired: param.required },
        ...(editor !== undefined && { editor }),
        text: (row) => textOf(param, row),
      };
    }),
  );

  protected readonly edits: SheetEdits<Placed> = {
    enter: (entries) => this.enter(entries),
    search: (_, { id }, text) => {
      const choices = this.param(id)?.choices ?? [];
      const found = choices.filter((choice) => nameMatches(choice, text));
      return Promise.resolve(found.map((name) => ({ id: name, name })));
    },
    choose: (row, column, { name }) => {
      this.enter([{ row, column, text: name }]);
    },
    toggle: (row, column) => {
      if (column.editor === 'switch')
        this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }]);
    },
    remove: ({ at }) => {
      this.changed.emit(this.rows().filter((_, i) => i !== at));
    },
  };

  protected add(): void {
    // A choice that must be made shows its first, so that is what a new row holds.
    const chosen = this.columns()
      .filter(({ kind, required }) => kind === 'choice' && required)
      .map(({ key, choices }) => [key, choices[0]] as const);
    this.changed.emit([...this.rows(), Object.fromEntries(chosen)]);
  }

  private param(key: string): ParamField | undefined {
    return this.columns().find((param) => param.key === key);
  }

  private enter(entries: readonly SheetEntry<Placed>[]): readonly SheetRefusal<Placed>[] {
    const refused: SheetRefusal<Placed>[] = [];
    const rows = [...this.rows()];
    for (const entry of entries) {
      const { row, column, text } = entry;
      const param = this.param(column.id);
      if (param === undefined) continue;
      const read = readCell(param, text);
      if (!read.ok) {
        refused.push({ entry, sentence: read.sentence });
        continue;
      }
      const { [param.key]: _old, ...others } = rows[row.at] ?? {};
      rows[row.at] = read.value === undefined ? others : { ...others, [param.key]: read.value };
    }
    this.changed.emit(rows);
    return refused;
  }
}
