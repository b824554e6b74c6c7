import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { studioFeature } from '../state/studio.feature';
import { ThisWindow } from './this-window';

/** How many windows look at the studio, and whether this one shares its selection with them. */
@Component({
  selector: 'ft-window-state',
  template: `
    @if (others() > 0 || window.shares()) {
      <button
        type="button"
        class="bare"
        title="What you select is selected in every window of this studio that shares, on tablets too"
        [attr.aria-pressed]="window.shares()"
        [attr.aria-label]="words()"
        (click)="window.share(!window.shares())"
      >
        <i class="bi" [class]="window.shares() ? 'bi-link-45deg' : 'bi-window'" aria-hidden="true"></i>
        {{ shown() }}
      </button>
    }
  `,
  styles: `
    button[aria-pressed='true'] {
      border-color: var(--ft-thread);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WindowState {
  protected readonly window = inject(ThisWindow);
  private readonly windows = inject(Store).selectSignal(studioFeature.selectWindows);
  protected readonly others = computed(() => this.windows() - 1);
  private readonly count = computed(() => (this.others() > 0 ? `${String(this.windows())} windows` : ''));
  protected readonly words = computed(() => {
    const how = this.window.shares() ? 'selection shared' : 'selection own';
    return this.count() === '' ? how : `${this.count()}, ${how}`;
  });
  /** In the header every word takes room from the names of session and scene. */
  protected readonly shown = computed(() => (this.window.shares() ? this.words() : this.count()));
}
