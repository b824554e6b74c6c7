import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import { postPairSchema } from '@ft/contract/sharing';
import { Api, apiErrorOf } from '../state/api.service';
import { Field } from '../ui/form/field';
import { focusField } from '../ui/form/focus-field';
import type { FormField } from '../ui/form/form-field';
import { SchemaForm } from '../ui/form/schema-form';

const FIELDS: readonly FormField[] = [
  { key: 'code', label: 'Code', kind: 'text', typical: 'eight digits', widthRem: 14 },
  {
    ...{ key: 'name', label: 'What this tablet is called', kind: 'text' },
    ...{ typical: 'Tablet at the bay', widthRem: 20 },
  },
];

/** Where a tablet on the studio network hands in the code the first screen shows. */
@Component({
  selector: 'ft-pair-page',
  imports: [Field],
  template: `
    <main>
      <h1>Pair this tablet</h1>
      <p class="quiet">
        The computer it runs on shows a code of eight digits, good for ten minutes and for one tablet. Pair
        only on a network you trust: what is sent over it is not encrypted.
      </p>
      <form (submit)="pair(); $event.preventDefault()">
        @for (field of form().fields; track field.key) {
          <ft-field [form]="form()" [key]="field.key" />
        }
        <button type="submit" class="main" [disabled]="busy()">Pair</button>
      </form>
      @if (trouble(); as text) {
        <p role="alert"><span class="error">▲</span> {{ text }}</p>
      }
    </main>
  `,
  styles: `
    main {
      max-width: 30rem;
      margin: 3rem auto;
      padding: 0 1rem;
    }
    h1 {
      font-size: 1.3rem;
    }
    form {
      display: grid;
      gap: 0.4rem;
      margin: 1rem 0;
    }
    ft-field {
      font-size: 1.2rem;
    }
    button {
      justify-self: start;
      min-height: 3rem;
      padding: 0 1.4rem;
      margin-top: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PairPage {
  /** From the address, where the QR code was read. */
  readonly code = input<string>();
  private readonly api = inject(Api);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly router = inject(Router);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);

  protected readonly form = computed(() => new SchemaForm(FIELDS, postPairSchema, { code: this.code() }));

  protected pair(): void {
    const entered = this.form().read();
    if (entered === undefined) {
      focusField(this.element.nativeElement, this.form().firstProblem());
      return;
    }
    this.busy.set(true);
    this.trouble.set('');
    this.api.pair(entered.code, entered.name).subscribe({
      next: () => void this.router.navigate(['/']),
      error: (error: unknown) => {
        this.busy.set(false);
        this.trouble.set(apiErrorOf(error).message);
      },
    });
  }
}
