import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import type { ParamField, TypeForm } from '@ft/core/rig/paramFields';
import { paramTitle } from './param-title';
import { ParamTable } from './param-table';
import { typedNumber } from '@ft/core/text/typedNumber';

type Params = Readonly<Record<string, unknown>>;

/** What a field holds so far: a value, nothing, or something that cannot be understood. */
type Reading =
  | { readonly state: 'value'; readonly value: unknown }
  | { readonly state: 'blank' }
  | { readonly state: 'unclear'; readonly because: string };

function readNumbers(text: string): Reading {
  const parts = text.split(/[\s;]+/).filter((part) => part !== '');
  const unclear = parts.find((part) => typedNumber(part) === undefined);
  if (unclear !== undefined) return { state: 'unclear', because: `“${unclear}” is not a number` };
  return parts.length === 0 ? { state: 'blank' } : { state: 'value', value: parts.map(typedNumber) };
}

function readField(field: ParamField, entry: unknown): Reading {
  if (typeof entry !== 'string' || field.kind === 'choice' || (field.kind === 'text' && entry !== ''))
    return entry === undefined ? { state: 'blank' } : { state: 'value', value: entry };
  if (field.kind === 'numbers') return readNumbers(entry);
  if (entry.trim() === '') return { state: 'blank' };
  const value = typedNumber(entry);
  return value === undefined
    ? { state: 'unclear', because: `“${entry}” is not a number` }
    : { state: 'value', value };
}

/** A stored value as a person would type it. */
function entryOf(value: unknown): unknown {
  if (Array.isArray(value) && value.every((each) => typeof each === 'number')) return value.join(' ');
  return typeof value === 'number' ? String(value) : value;
}

/** The parameters of a device, as fields read off its type. Typical values are the catalogue's. */
@Component({
  selector: 'ft-device-form',
  imports: [ParamTable],
  template: `
    <form (submit)="$event.preventDefault(); save()">
      @for (field of tables(); track field.key) {
        <ft-param-table
          [label]="title(field).name"
          [columns]="field.columns"
          [rows]="$any(entries()[field.key] ?? [])"
          (changed)="put(field, $event)"
        />
      }
      @for (field of plain(); track field.key) {
        <label [for]="idOf(field)">
          <span
            >{{ title(field).name }} <span class="quiet">{{ title(field).unit }}</span></span
          >
          @switch (field.kind) {
            @case ('choice') {
              <select [id]="idOf(field)" (change)="put(field, $any($event.target).value)">
                @for (choice of field.choices; track choice) {
                  <option [selected]="choice === entries()[field.key]">{{ choice }}</option>
                }
              </select>
            }
            @case ('switch') {
              <input
                type="checkbox"
                [id]="idOf(field)"
                [checked]="entries()[field.key] === true"
                (change)="put(field, $any($event.target).checked)"
              />
            }
            @default {
              <input
                type="text"
                class="num"
                autocomplete="off"
                [id]="idOf(field)"
                [value]="entries()[field.key] ?? ''"
                [placeholder]="placeholder(field)"
                (input)="put(field, $any($event.target).value)"
              />
            }
          }
        </label>
      }
      <button type="submit" class="main">{{ action() }}</button>
      @if (trouble(); as it) {
        <span role="status" [class.error]="asked()" [class.quiet]="!asked()">{{ it.text }}</span>
      }
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 0.9rem;
      align-items: end;
    }
    label {
      display: grid;
      gap: 0.1rem;
      font-size: 0.92em;
    }
    input.num {
      width: 6.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceForm {
  readonly form = input.required<TypeForm>();
  readonly params = input<Params>({});
  readonly action = input('Save');
  readonly saved = output<Params>();

  /** Records, such as a bay's labels, are edited where they are seen. */
  protected readonly plain = computed(() =>
    this.form().fields.filter(({ kind }) => kind !== 'table' && kind !== 'record'),
  );
  protected readonly tables = computed(() => this.form().fields.filter(({ kind }) => kind === 'table'));

  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly title = (field: ParamField): { name: string; unit: string } => paramTitle(field.key);
  /** What an empty field means. */
  protected readonly placeholder = (field: ParamField): string => {
    if (field.required) return 'needed';
    return field.typical === undefined ? 'not known' : `typical ${String(entryOf(field.typical))}`;
  };
  /** What stands in each field, as it was typed. */
  protected readonly entries = linkedSignal<Params>(() => this.start());
  /** True once somebody wanted to save while a field was missing or unclear. */
  protected readonly asked = signal(false);

  protected readonly trouble = computed(() => {
    for (const field of this.form().fields) {
      const reading = readField(field, this.entries()[field.key]);
      const { name } = paramTitle(field.key);
      if (reading.state === 'unclear') return { field, text: `${name}: ${reading.because}` };
      if (reading.state === 'blank' && field.required) return { field, text: `needs ${name}` };
    }
    return undefined;
  });

  /** Two forms may stand on one page, one that adds and one that saves. */
  protected idOf(field: ParamField): string {
    return `${this.action().toLowerCase()}-${field.key}`;
  }

  protected put(field: ParamField, entry: unknown): void {
    this.entries.update((entries) => ({ ...entries, [field.key]: entry }));
  }

  protected save(): void {
    const trouble = this.trouble();
    this.asked.set(trouble !== undefined);
    if (trouble === undefined) this.saved.emit(this.values());
    else this.element.nativeElement.querySelector<HTMLElement>(`#${this.idOf(trouble.field)}`)?.focus();
  }

  /** The parameters that are known; what is left blank is left out. */
  private values(): Params {
    const known = this.form().fields.flatMap((field): (readonly [string, unknown])[] => {
      const reading = readField(field, this.entries()[field.key]);
      return reading.state === 'value' ? [[field.key, reading.value]] : [];
    });
    return Object.fromEntries(known);
  }

  private start(): Params {
    const entries = this.form().fields.map((field): readonly [string, unknown] => {
      const typical = field.typical ?? (field.kind === 'choice' ? field.choices[0] : undefined);
      return [field.key, entryOf(this.params()[field.key] ?? typical)];
    });
    return Object.fromEntries(entries);
  }
}
