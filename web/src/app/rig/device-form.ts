import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import type { ParamField, TypeForm } from '@ft/core/rig/paramFields';
import { typedNumber } from '../track/typed-number';

type Params = Readonly<Record<string, unknown>>;

/** Keys whose words alone would not tell an engineer what is meant. */
const TERMS: Readonly<Record<string, string>> = {
  adcs: 'line inputs',
  dacs: 'line outputs',
  adc: 'ADC',
  dac: 'DAC',
  ein: 'equivalent input noise',
  phantom: '48 V',
};

/** "sensitivityMvPerPa" as words: "sensitivity mv per pa". */
const words = (key: string): string =>
  key
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/[a-z]+/g, (word) => TERMS[word] ?? word);

const UNITS: readonly (readonly [RegExp, string])[] = [
  [/ db spl$/, 'dB SPL'],
  [/ dbfs$/, 'dBFS'],
  [/ dbu$/, 'dBu'],
  [/ db$/, 'dB'],
  [/ ohm$/, 'Ω'],
  [/ mv per pa$/, 'mV/Pa'],
  [/ samples$/, 'samples'],
];

/** A parameter's name for a reader, its unit apart. */
export function paramTitle(key: string): { readonly name: string; readonly unit: string } {
  const plain = words(key);
  const unit = UNITS.find(([pattern]) => pattern.test(plain));
  return unit === undefined ? { name: plain, unit: '' } : { name: plain.replace(unit[0], ''), unit: unit[1] };
}

/** The parameters of a device, as fields read off its type. Typical values are the catalogue's. */
@Component({
  selector: 'ft-device-form',
  template: `
    <form (submit)="save(); $event.preventDefault()">
      @for (field of form().fields; track field.key) {
        <label [for]="'param-' + field.key">
          <span
            >{{ title(field).name }} <span class="quiet">{{ title(field).unit }}</span></span
          >
          @switch (field.kind) {
            @case ('choice') {
              <select [id]="'param-' + field.key" (change)="put(field, $any($event.target).value)">
                @for (choice of field.choices; track choice) {
                  <option [selected]="choice === text(field)">{{ choice }}</option>
                }
              </select>
            }
            @case ('switch') {
              <input
                type="checkbox"
                [id]="'param-' + field.key"
                [checked]="values()[field.key] === true"
                (change)="putValue(field, $any($event.target).checked)"
              />
            }
            @default {
              <input
                type="text"
                class="num"
                [id]="'param-' + field.key"
                [value]="text(field)"
                [placeholder]="field.required ? 'needed' : 'not known'"
                (change)="put(field, $any($event.target).value)"
              />
            }
          }
        </label>
      }
      <button type="submit" class="main" [disabled]="missing() !== undefined">{{ action() }}</button>
      @if (missing(); as field) {
        <span class="quiet">needs {{ title(field).name }}</span>
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

  protected readonly title = (field: ParamField): { name: string; unit: string } => paramTitle(field.key);
  protected readonly values = linkedSignal<Params>(() => ({ ...this.typical(), ...this.params() }));
  protected readonly missing = computed(() =>
    this.form().fields.find((field) => field.required && this.values()[field.key] === undefined),
  );

  protected text(field: ParamField): string {
    const value = this.values()[field.key];
    if (value === undefined) return '';
    return Array.isArray(value) ? value.join(' ') : typeof value === 'string' ? value : JSON.stringify(value);
  }

  protected put(field: ParamField, text: string): void {
    if (field.kind === 'choice') this.putValue(field, text);
    else if (field.kind === 'numbers')
      this.putValue(
        field,
        text.split(/[\s;]+/).flatMap((part) => typedNumber(part) ?? []),
      );
    else this.putValue(field, typedNumber(text));
  }

  protected putValue(field: ParamField, value: unknown): void {
    const others = Object.entries(this.values()).filter(([key]) => key !== field.key);
    this.values.set(Object.fromEntries(value === undefined ? others : [...others, [field.key, value]]));
  }

  protected save(): void {
    if (this.missing() === undefined) this.saved.emit(this.values());
  }

  private typical(): Params {
    const entries = this.form().fields.flatMap((field): (readonly [string, unknown])[] => {
      const start = field.typical ?? (field.kind === 'choice' ? field.choices[0] : undefined);
      return start === undefined ? [] : [[field.key, start]];
    });
    return Object.fromEntries(entries);
  }
}
