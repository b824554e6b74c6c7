import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
} from '@angular/core';
import * as z from 'zod';
import { deviceTypeNamed } from '@ft/core/rig/catalogue/catalogue';
import type { ParamField, TypeForm } from '@ft/core/rig/paramFields';
import { Field } from '../../../ui/form/field';
import { focusField } from '../../../ui/form/focus-field';
import { SchemaForm } from '../../../ui/form/schema-form';
import { deviceField, deviceStart } from './device-fields';
import { ParamTable } from './param-table';
import { paramTitle } from './param-title';

type Params = Readonly<Record<string, unknown>>;
const anything = z.record(z.string(), z.unknown());

/** The parameters of a device, as fields read off its type, held to the type's schema. */
@Component({
  selector: 'ft-device-form',
  imports: [Field, ParamTable],
  template: `
    <form (submit)="$event.preventDefault(); save()">
      @for (param of tables(); track param.key) {
        <ft-param-table
          [label]="title(param)"
          [columns]="param.columns"
          [rows]="rowsOf(param)"
          [problem]="fields().problemAt(param.key)"
          (changed)="fields().control(param.key)?.setValue($event)"
        />
      }
      @for (param of plain(); track param.key) {
        <ft-field [form]="fields()" [key]="param.key" />
      }
      <button type="submit" class="main">{{ action() }}</button>
      @if (fields().problem(); as text) {
        <p class="error" role="alert">▲ {{ text }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 0.9rem;
      align-items: start;
    }
    button.main {
      align-self: end;
    }
    p {
      flex-basis: 100%;
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceForm {
  readonly form = input.required<TypeForm>();
  readonly params = input<Params>({});
  readonly action = input('Save');
  readonly saved = output<Params>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  /** Records, such as a bay's labels, are edited where they are seen. */
  protected readonly plain = computed(() =>
    this.form().fields.filter(({ kind }) => kind !== 'table' && kind !== 'record'),
  );
  protected readonly tables = computed(() => this.form().fields.filter(({ kind }) => kind === 'table'));
  protected readonly fields = computed(() => {
    const { type, fields } = this.form();
    const schema = deviceTypeNamed(type)?.params ?? anything;
    return new SchemaForm(fields.map(deviceField), schema, deviceStart(fields, this.params()));
  });
  protected readonly title = ({ key }: ParamField): string => paramTitle(key).name;

  protected rowsOf({ key }: ParamField): readonly Params[] {
    const held = this.fields().control(key)?.value;
    return Array.isArray(held) ? (held as readonly Params[]) : [];
  }

  protected save(): void {
    const values = this.fields().read();
    if (values !== undefined) this.saved.emit(values);
    else focusField(this.element.nativeElement, this.fields().firstProblem());
  }
}
