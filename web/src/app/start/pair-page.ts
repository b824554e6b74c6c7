import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Api, apiErrorOf } from '../state/api.service';

/** Where a tablet on the studio network hands in the code the first screen shows. */
@Component({
  selector: 'ft-pair-page',
  template: `
    <main>
      <h1>Pair this tablet</h1>
      <p class="quiet">
        The computer it runs on shows a code of eight digits, good for ten minutes and for one tablet. Pair
        only on a network you trust: what is sent over it is not encrypted.
      </p>
      <form (submit)="pair(digits.value, name.value); $event.preventDefault()">
        <label for="pair-code">Code</label>
        <input
          #digits
          id="pair-code"
          class="num"
          type="text"
          inputmode="numeric"
          autocomplete="one-time-code"
          [value]="code() ?? ''"
        />
        <label for="pair-name">What this tablet is called</label>
        <input #name id="pair-name" type="text" maxlength="40" placeholder="Tablet at the bay" />
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
    input {
      font-size: 1.2rem;
      padding: 0.5rem 0.7rem;
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
  private readonly router = inject(Router);
  protected readonly trouble = signal('');
  protected readonly busy = signal(false);

  protected pair(code: string, name: string): void {
    this.busy.set(true);
    this.trouble.set('');
    this.api.pair(code, name).subscribe({
      next: () => void this.router.navigate(['/']),
      error: (error: unknown) => {
        this.busy.set(false);
        this.trouble.set(apiErrorOf(error).message);
      },
    });
  }
}
