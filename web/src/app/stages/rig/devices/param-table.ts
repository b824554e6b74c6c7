import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { ParamField } from '@ft/core/rig/paramFields';
import { typedNumber } from '@ft/core/text/typedNumber';
import { paramTitle } from './param-title';

type Row = Readonly<Record<string, unknown>>;

/** A list of rows inside a device's data: sections of a bay, connectors of a unit of one's own. */
@Component({
  selector: 'ft-param-table',
  template: `
    <h3>{{ label() }}</h3>
    <table class="sheet">
      <thead>
        <tr>
          @for (column of columns(); track column.key) {
            <th scope="col">
              {{ title(column).name }} <span class="quiet">{{ title(column).unit }}</span>
            </th>
          }
          <th scope="col"><span class="visually-hidden">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track $index; let i = $index) {
          <tr>
            @for (column of columns(); track column.key) {
              <td>
                @switch (column.kind) {
                  @case ('choice') {
                    <select
                      [attr.aria-label]="name(column, i)"
                      (change)="put(i, column, $any($event.target).value)"
                    >
                      @for (choice of column.choices; track choice) {
                        <option [selected]="choice === shown(row, column)">{{ choice }}</option>
                      }
                    </select>
                  }
                  @case ('switch') {
                    <input
                      type="checkbox"
                      [attr.aria-label]="name(column, i)"
                      [checked]="shown(row, column) === true"
                      (change)="put(i, column, $any($event.target).checked)"
                    />
                  }
                  @default {
                    <input
                      type="text"
                      autocomplete="off"
                      [class.num]="column.kind === 'number'"
                      [attr.aria-label]="name(column, i)"
                      [value]="shown(row, column) ?? ''"
                      [placeholder]="column.required ? 'needed' : ''"
                      (change)="put(i, column, $any($event.target).value)"
                    />
                  }
                }
              </td>
            }
            <td>
              <button
                type="button"
                class="bare"
                (click)="remove(i)"
                [attr.aria-label]="'Remove row ' + (i + 1)"
              >
                ✕
              </button>
            </td>
          </tr>
        }
      </tbody>
    </table>
    <button type="button" (click)="add()">Add a row</button>
  `,
  styles: `
    :host {
      display: block;
      flex-basis: 100%;
      overflow-x: auto;
    }
    input[type='text'] {
      width: 7.5rem;
    }
    input.num {
      width: 5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParamTable {
  readonly columns = input.required<readonly ParamField[]>();
  readonly rows = input.required<readonly Row[]>();
  readonly label = input('');
  readonly changed = output<readonly Row[]>();

  protected readonly title = (column: ParamField): { name: string; unit: string } => paramTitle(column.key);
  protected name(column: ParamField, i: number): string {
    return `${this.label()} ${String(i + 1)}: ${paramTitle(column.key).name}`;
  }
  protected shown(row: Row, column: ParamField): unknown {
    return row[column.key] ?? column.typical;
  }

  protected put(at: number, column: ParamField, typed: unknown): void {
    this.changed.emit(
      this.rows().map((row, i) => {
        if (i !== at) return row;
        const { [column.key]: _old, ...others } = row;
        const text = typeof typed === 'string' ? typed.trim() : typed;
        if (text === '') return others;
        const number = column.kind === 'number' ? typedNumber(String(text)) : undefined;
        return { ...others, [column.key]: number ?? text };
      }),
    );
  }

  protected add(): void {
    // A choice that must be made shows its first, so that is what a new row holds.
    const chosen = this.columns()
      .filter(({ kind, required }) => kind === 'choice' && required)
      .map(({ key, choices }) => [key, choices[0]] as const);
    this.changed.emit([...this.rows(), Object.fromEntries(chosen)]);
  }

  protected remove(at: number): void {
    this.changed.emit(this.rows().filter((_, i) => i !== at));
  }
}
