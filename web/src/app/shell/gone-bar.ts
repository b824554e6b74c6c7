import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { saveText } from '../ui/save-text';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';

const count = (n: number): string => (n === 1 ? 'one change' : `${String(n)} changes`);

/** Says why what was done here is not stored yet, that the studio went meanwhile, and what became of the unsent. */
@Component({
  selector: 'ft-gone-bar',
  imports: [RouterLink],
  template: `
    @if (gone(); as because) {
      <p role="alert">
        <span class="error" aria-hidden="true">▲</span>
        <span class="text">
          @if (because === 'removed') {
            This studio was removed on the first screen. What you see is the last this window knew.
          } @else {
            This studio was removed and brought in again. What you see is the one from before.
          }
          @if (pending().length > 0) {
            {{ waiting() }} of yours {{ pending().length === 1 ? 'was' : 'were' }} not stored and
            {{ pending().length === 1 ? 'is' : 'are' }} kept in this browser.
          }
        </span>
        @if (pending().length > 0) {
          <button type="button" (click)="save()">Save as a file</button>
        }
        <button type="button" class="main" (click)="reload()">
          {{ because === 'removed' ? 'Look again' : 'Open it as it is now' }}
        </button>
        <a class="press" routerLink="/">All studios</a>
      </p>
    } @else if (keptBecause(); as reason) {
      <p role="status">
        <span class="warning" aria-hidden="true">◆</span>
        <span class="text">{{ reason }}</span>
      </p>
    } @else if (strays().length > 0) {
      <p role="alert">
        <span class="warning" aria-hidden="true">◆</span>
        <span class="text">
          {{ waiting(strays().length) }} kept in this browser
          {{ strays().length === 1 ? 'was' : 'were' }} made in an earlier studio of this name: {{ labels() }}.
        </span>
        <button type="button" class="main" (click)="take()">Make them here</button>
        <button type="button" (click)="drop()">Give them up</button>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.3rem 0.5rem;
      margin: 0;
      padding: 0.35rem 0.75rem;
      background: var(--ft-raised);
      border-bottom: 1px solid var(--ft-line);
    }
    .text {
      flex: 1;
      min-width: 16rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GoneBar {
  private readonly store = inject(Store);
  protected readonly gone = this.store.selectSignal(studioFeature.selectGone);
  protected readonly keptBecause = this.store.selectSignal(studioFeature.selectKeptBecause);
  protected readonly pending = this.store.selectSignal(studioFeature.selectPending);
  protected readonly strays = this.store.selectSignal(studioFeature.selectStrays);
  protected readonly labels = computed(() => {
    const named = this.strays().map(({ label }) => label);
    return named.length > 3 ? `${named.slice(0, 3).join(', ')} and more` : named.join(', ');
  });

  protected waiting(n = this.pending().length): string {
    const text = count(n);
    return text.charAt(0).toUpperCase() + text.slice(1);
  }

  protected save(): void {
    saveText('unsent-changes.json', JSON.stringify(this.pending(), null, 2), 'application/json');
  }

  protected reload(): void {
    this.store.dispatch(StudioActions.reload());
  }

  protected take(): void {
    this.store.dispatch(StudioActions.takeStrays());
  }

  protected drop(): void {
    this.store.dispatch(StudioActions.dropStrays());
  }
}
