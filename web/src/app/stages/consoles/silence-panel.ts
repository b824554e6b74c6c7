import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LaneId } from '@ft/core/rig/ids';
import { asked } from '../../state/asked';
import { PlanActions } from '../../state/plan.feature';
import { AnswerState } from '../../ui/answer';
import { SidePanel } from '../../ui/side-panel';

/** Why nothing is heard: from each ear back to the first place that is closed. */
@Component({
  selector: 'ft-silence-panel',
  imports: [AnswerState, SidePanel],
  template: `
    <ft-side-panel title="Why do I hear nothing?" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          From each loudspeaker and headphone back to the first place that is closed. Turn monitors and phones
          down before you open it.
        </p>
        <ft-answer [of]="told" what="the ways to every ear" />
        @for (line of closedOnes(); track line.ear) {
          <div>
            <p>
              <span class="warning" aria-hidden="true">◆</span>&ngsp;<strong>{{ line.name }}</strong
              >:
              {{ line.sentence }}
              @if (line.lane; as lane) {
                <button type="button" (click)="show(lane)">Show</button>
              }
            </p>
            <p class="said quiet">{{ line.way.join(' ← ') }}</p>
          </div>
        }
        @for (line of openOnes(); track line.ear) {
          <p>
            <span aria-hidden="true">✓</span>&ngsp;<strong>{{ line.name }}</strong
            >: {{ line.sentence }}
          </p>
        }
        @if (told()?.length === 0) {
          <p class="quiet">The rig has no loudspeakers or headphones.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SilencePanel {
  readonly closed = output();
  private readonly store = inject(Store);
  protected readonly told = asked((api) => api.silence());
  protected readonly closedOnes = computed(() => (this.told() ?? []).filter(({ isOpen }) => !isOpen));
  protected readonly openOnes = computed(() => (this.told() ?? []).filter(({ isOpen }) => isOpen));

  protected show(id: LaneId): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id } }));
    this.closed.emit();
  }
}
