import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import type { SettingCell } from '@ft/core/views/settingCells';
import { PlanActions } from '../../state/plan.feature';
import { Changes } from '../../state/changes';
import { SettingChanges } from './setting-changes';

/** One knob: a figure, a switch with positions, or an on-off switch. */
@Component({
  selector: 'ft-setting-field',
  template: `
    @let spec = cell().spec;
    <label [for]="cell().key"
      >{{ spec.title }} <span class="quiet">{{ spec.unit }}</span></label
    >
    @if (spec.range?.positions; as positions) {
      <select class="num" [id]="cell().key" (change)="choose($any($event.target).value)">
        @for (position of positions; track position) {
          <option [value]="position" [selected]="position === cell().value">
            {{ spec.names?.[$index] ?? position }}
          </option>
        }
      </select>
    } @else if (cell().value === true || cell().value === false) {
      <input
        type="checkbox"
        [id]="cell().key"
        [checked]="cell().value === true"
        (change)="changes.set(cell(), where(), $any($event.target).checked)"
      />
    } @else {
      <input
        #field
        type="text"
        class="num"
        inputmode="decimal"
        autocomplete="off"
        [id]="cell().key"
        [value]="cell().value"
        (change)="enter(field)"
      />
      @if (spec.range; as range) {
        <label class="trial quiet"
          >what if
          <input
            type="range"
            [min]="range.min"
            [max]="range.max"
            step="0.5"
            [value]="cell().value"
            (input)="attempt($any($event.target).valueAsNumber)"
        /></label>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
      gap: 0.5rem;
      padding: 0.12rem 0;
    }
    .num {
      width: 6rem;
      text-align: right;
    }
    /* Positions that have names are as wide as the longest, within reason. */
    select.num {
      width: auto;
      min-width: 6rem;
      max-width: 11rem;
    }
    .trial {
      grid-column: 1 / -1;
      display: flex;
      align-items: center;
      gap: 0.5rem;
      font-size: 0.9em;
    }
    .trial input {
      flex: 1;
      min-width: 0;
      padding: 0;
      accent-color: var(--ft-thread);
    }
    input[type='checkbox'] {
      justify-self: end;
      width: 1.1rem;
      height: 1.1rem;
      accent-color: var(--ft-thread);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettingField {
  readonly cell = input.required<SettingCell>();
  /** What the reader calls the unit. */
  readonly where = input.required<string>();
  private readonly all = inject(Changes);
  private readonly store = inject(Store);
  protected readonly changes = inject(SettingChanges);

  /** Everything is worked out as if the knob stood there; nothing is changed. */
  protected attempt(value: number): void {
    const { key, spec } = this.cell();
    const name = `${this.where()}: ${spec.title}`;
    const on = { kind: 'knob', key } as const;
    this.store.dispatch(PlanActions.tryLevel({ trial: { on, value, name, unit: spec.unit } }));
  }

  protected choose(text: string): void {
    this.changes.set(this.cell(), this.where(), Number(text));
  }

  /** A figure that does not fit stays as it was typed, with the reason. */
  protected enter(field: HTMLInputElement): void {
    const refusal = this.changes.enter(this.cell(), this.where(), field.value);
    if (refusal !== undefined) this.all.complain(refusal);
  }
}
