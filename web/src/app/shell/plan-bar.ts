import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { PlanActions, planFeature } from '../state/plan.feature';

/** Says that the scene could not be planned, and plans it again for whoever asks. */
@Component({
  selector: 'ft-plan-bar',
  template: `
    @if (failure(); as message) {
      <p role="alert">
        <span class="error" aria-hidden="true">▲</span>
        <span class="text">
          The plan could not be worked out: {{ message }}
          {{ plan() === null ? 'Nothing is lost.' : 'What you see is from before; nothing is lost.' }}
          Undo the last change, or try again.
        </span>
        <button type="button" class="main" (click)="again()">Again</button>
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
export class PlanBar {
  private readonly store = inject(Store);
  protected readonly failure = this.store.selectSignal(planFeature.selectFailure);
  protected readonly plan = this.store.selectSignal(planFeature.selectPlan);

  protected again(): void {
    this.store.dispatch(PlanActions.planAgain());
  }
}
