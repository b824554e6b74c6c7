import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';

/** How long a line that only says what was done stays; trouble stays until it is dismissed. */
const SAID_MS = 5000;

@Component({
  selector: 'ft-notices',
  template: `
    <div class="notices" role="status" aria-live="polite">
      @for (notice of notices(); track notice.id) {
        <p [class.trouble]="notice.tone === 'trouble'">
          <span>{{ notice.text }}</span>
          <button type="button" class="bare" (click)="dismiss(notice.id)" aria-label="Dismiss">✕</button>
        </p>
      }
    </div>
  `,
  styles: `
    .notices {
      position: fixed;
      right: 1rem;
      top: 3.2rem;
      z-index: 15;
      display: grid;
      gap: 0.4rem;
      max-width: 26rem;
    }
    p {
      display: flex;
      align-items: start;
      gap: 0.5rem;
      margin: 0;
      padding: 0.45rem 0.7rem;
      background: var(--ft-raised);
      border: 1px solid var(--ft-line);
      border-left: 3px solid var(--ft-good);
      border-radius: 4px;
    }
    p.trouble {
      border-left-color: var(--ft-error);
    }
    span {
      flex: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Notices {
  private readonly store = inject(Store);
  protected readonly notices = this.store.selectSignal(studioFeature.selectNotices);

  constructor() {
    effect((onCleanup) => {
      const said = this.notices().filter(({ tone }) => tone === 'said');
      const timers = said.map(({ id }) =>
        setTimeout(() => {
          this.dismiss(id);
        }, SAID_MS),
      );
      onCleanup(() => {
        timers.forEach(clearTimeout);
      });
    });
  }

  protected dismiss(id: number): void {
    this.store.dispatch(StudioActions.dismissNotice({ id }));
  }
}
