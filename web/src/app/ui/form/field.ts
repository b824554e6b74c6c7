import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { TypeToFind } from '../type-to-find';
import type { SchemaForm } from './schema-form';

let fieldsMade = 0;

/** One field of a form: its label and unit, what an empty field means, and what is wrong with it. */
@Component({
  selector: 'ft-field',
  imports: [ReactiveFormsModule, TypeToFind],
  template: `
    @if (field(); as it) {
      @if (control(); as control) {
        <label [for]="id" [class.switch]="it.kind === 'switch'">
          <span
            >{{ it.label }}
            @if (it.unit) {
              <span class="quiet">{{ it.unit }}</span>
            }
          </span>
          @switch (it.kind) {
            @case ('choice') {
              <select
                [id]="id"
                [formControl]="control"
                [attr.aria-invalid]="problem() !== undefined"
                [attr.aria-describedby]="problem() === undefined ? null : id + '-problem'"
              >
                @for (choice of it.choices; track choice.value) {
                  <option [ngValue]="choice.value">{{ choice.name }}</option>
                }
              </select>
            }
            @case ('switch') {
              <input type="checkbox" [id]="id" [formControl]="control" />
            }
            @default {
              @if (it.offers?.(); as offers) {
                <input
                  type="text"
                  [id]="id"
                  [style.width.rem]="it.widthRem"
                  [formControl]="control"
                  [ftTypeToFind]="offers"
                  [placeholder]="it.typical ?? ''"
                  [attr.aria-invalid]="problem() !== undefined"
                  [attr.aria-describedby]="problem() === undefined ? null : id + '-problem'"
                />
              } @else {
                <input
                  type="text"
                  autocomplete="off"
                  [id]="id"
                  [class.num]="it.kind !== 'text'"
                  [style.width.rem]="it.widthRem"
                  [formControl]="control"
                  [placeholder]="it.typical ?? ''"
                  [attr.inputmode]="it.kind === 'figure' ? 'decimal' : null"
                  [attr.aria-invalid]="problem() !== undefined"
                  [attr.aria-describedby]="problem() === undefined ? null : id + '-problem'"
                />
              }
            }
          }
        </label>
        @if (problem(); as text) {
          <p class="error" role="alert" [id]="id + '-problem'">▲ {{ text }}</p>
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    label {
      display: grid;
      gap: 0.1rem;
      font-size: 0.92em;
    }
    label.switch {
      display: flex;
      flex-direction: row-reverse;
      justify-content: flex-end;
      gap: 0.4rem;
      align-items: center;
      min-height: 1.7rem;
    }
    input.num {
      width: 6.5rem;
    }
    input[aria-invalid='true'],
    select[aria-invalid='true'] {
      border-color: var(--ft-error);
    }
    p {
      margin: 0.1rem 0 0;
      font-size: 0.88em;
      max-width: 18rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[attr.data-field]': 'key()' },
})
export class Field {
  readonly form = input.required<SchemaForm>();
  readonly key = input.required<string>();
  protected readonly id = `field-${String(++fieldsMade)}`;
  protected readonly field = computed(() => this.form().fields.find(({ key }) => key === this.key()));
  protected readonly control = computed(() => this.form().control(this.key()));
  protected readonly problem = computed(() => this.form().problemAt(this.key()));
}
