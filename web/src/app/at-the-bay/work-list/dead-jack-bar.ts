import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { JackLabel } from '@ft/core/views/bay/jackLabel';
import type { WorkStep } from '@ft/core/views/bay/workList';
import { askedAbout } from '../../state/asked';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';

/** Asks which jack is dead, shows the way round it, and takes it on a yes. */
@Component({
  selector: 'ft-dead-jack-bar',
  imports: [AnswerState],
  template: `
    <div class="bar" role="group" aria-label="What does not work" (keydown.escape)="closed.emit()">
      <p><strong>Which jack does not work?</strong></p>
      <div class="jacks">
        @for (jack of jacks(); track jack.lane) {
          <button type="button" [attr.aria-pressed]="dead() === jack" (click)="dead.set(jack)">
            {{ jack.name }}
          </button>
        }
        <button type="button" (click)="closed.emit()">It works after all</button>
      </div>
      <ft-answer [of]="way" what="the way round it" />
      @if (way(); as it) {
        @for (round of it.waysRound; track round.session + round.scene) {
          <p>
            <span class="quiet">{{ round.session }}, {{ round.scene }}:</span>
            @for (line of round.story; track $index) {
              {{ line }}
            }
            @if (round.stuck.length > 0) {
              <span class="error">▲ No way is left for {{ round.stuck.join(', ') }}.</span>
            }
          </p>
        } @empty {
          <p>No thread runs over it, so nothing has to move.</p>
        }
        <button type="button" class="main" (click)="take()">
          Mark {{ dead()?.name }} as faulty and go this way
        </button>
        <span class="quiet">Undo makes it good again; the rig check lists what is faulty.</span>
      }
    </div>
  `,
  styles: `
    .bar {
      padding: 0.6rem 0.75rem;
      background: var(--ft-raised);
      border-bottom: 2px solid var(--ft-warning);
    }
    p {
      margin: 0 0 0.4rem;
      max-width: 70rem;
    }
    .jacks {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      margin-bottom: 0.5rem;
    }
    button {
      min-height: 2.8rem;
    }
    button[aria-pressed='true'] {
      border-color: var(--ft-thread);
      font-weight: 600;
    }
    .main {
      margin-right: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeadJackBar {
  readonly step = input.required<WorkStep>();
  readonly closed = output();
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly dead = signal<JackLabel | undefined>(undefined);
  protected readonly jacks = computed(() => {
    const { from: one, to: other } = this.step();
    return [one, other].filter((jack) => jack !== undefined);
  });
  protected readonly way = askedAbout(this.dead, (api, jack) => api.deadJack(jack.lane, ''));

  protected take(): void {
    const way = this.way();
    if (way === undefined) return;
    this.changes.make(way.label, way.edits);
    this.closed.emit();
  }
}
