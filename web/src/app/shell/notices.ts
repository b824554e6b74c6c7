import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NgbToastModule } from '@ng-bootstrap/ng-bootstrap/toast';
import { Store } from '@ngrx/store';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';

/** How long a line that only says what was done stays; trouble stays until it is dismissed. */
const SAID_MS = 5000;

/** What was done, for a moment; what went wrong, until it is dismissed. */
@Component({
  selector: 'ft-notices',
  imports: [NgbToastModule],
  template: `
    <div class="trouble" role="alert">
      @for (notice of trouble(); track notice.id) {
        <p>
          <span class="error" aria-hidden="true">▲</span>
          <span class="text">{{ notice.text }}</span>
          <button type="button" class="bare" (click)="dismiss(notice.id)" aria-label="Dismiss">✕</button>
        </p>
      }
    </div>
    <div class="said" role="status">
      @for (notice of said(); track notice.id) {
        <ngb-toast [delay]="saidMs" (hidden)="dismiss(notice.id)">{{ notice.text }}</ngb-toast>
      }
    </div>
  `,
  styles: `
    p {
      margin: 0;
    }
    /* In the flow, so that it never lies over the cell it speaks of. */
    .trouble p {
      display: flex;
      align-items: baseline;
      gap: 0.5rem;
      padding: 0.35rem 0.75rem;
      background: var(--ft-raised);
      border-bottom: 1px solid var(--ft-line);
    }
    .text {
      flex: 1;
    }
    .said {
      position: fixed;
      right: 1rem;
      top: 3.2rem;
      z-index: 15;
      display: grid;
      gap: 0.4rem;
      max-width: 26rem;
      pointer-events: none;
    }
    ngb-toast {
      border-left: 3px solid var(--ft-good);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Notices {
  private readonly store = inject(Store);
  private readonly notices = this.store.selectSignal(studioFeature.selectNotices);
  protected readonly trouble = computed(() => this.notices().filter(({ tone }) => tone === 'trouble'));
  protected readonly said = computed(() => this.notices().filter(({ tone }) => tone === 'said'));
  protected readonly saidMs = SAID_MS;

  protected dismiss(id: number): void {
    this.store.dispatch(StudioActions.dismissNotice({ id }));
  }
}
