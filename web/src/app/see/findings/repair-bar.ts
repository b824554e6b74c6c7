import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { RepairPreview } from '@ft/core/actions/repairs/repairs';
import { askedAbout } from '../../state/asked';
import { planFeature } from '../../state/plan.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';

/** Ready changes that mend the selected finding, with what each would do; R takes the first. */
@Component({
  selector: 'ft-repair-bar',
  imports: [AnswerState],
  template: `
    @if (key() !== undefined) {
      <section aria-label="Repairs" aria-live="polite">
        <ft-answer [of]="repairs" what="a repair" />
        @for (repair of repairs(); track repair.label) {
          <div>
            <button type="button" class="main" (click)="take(repair)">
              {{ repair.label }}
              @if ($first) {
                <kbd>R</kbd>
              }
            </button>
            <span class="quiet">
              mends {{ repair.mends.length === 1 ? 'this one' : repair.mends.length + ' findings' }}
              @for (each of repair.brings; track each.key) {
                <span class="warning"> · ◆ brings: {{ each.title }}</span>
              }
            </span>
          </div>
        } @empty {
          @if (repairs() !== undefined) {
            <span class="quiet">No single safe change mends this one: it is for you to decide.</span>
          }
        }
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.4rem;
      align-items: center;
      padding: 0.4rem 0.9rem;
      min-height: 2.5rem;
      background: var(--ft-raised);
      border-top: 1px solid var(--ft-line);
    }
    div {
      display: flex;
      gap: 0.6rem;
      align-items: center;
    }
    kbd {
      color: var(--ft-ink);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class RepairBar {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly finding = this.store.selectSignal(planFeature.selectFinding);
  protected readonly key = computed(() => {
    const finding = this.finding();
    return finding === undefined || finding.waivedFor !== undefined ? undefined : finding.key;
  });
  protected readonly repairs = askedAbout(this.key, (api, key) => api.repairs(key));

  protected take({ label, edits }: RepairPreview): void {
    this.changes.make(`Repair: ${label}`, edits);
  }

  protected onKey(event: KeyboardEvent): void {
    const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
    if (event.key !== 'r' || event.ctrlKey || event.metaKey || event.altKey || isTyping) return;
    const [first] = this.repairs() ?? [];
    if (first === undefined) return;
    event.preventDefault();
    this.take(first);
  }
}
