import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { from, of, switchMap } from 'rxjs';
import type { JackLabel } from '@ft/core/views/bay/jackLabel';
import type { WorkStep } from '@ft/core/views/bay/workList';
import { StudioActions } from '../state/studio.actions';
import { Planner } from '../workers/planner.service';

/** Asks which jack is dead, shows the way round it, and takes it on a yes. */
@Component({
  selector: 'ft-dead-jack-bar',
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
  private readonly store = inject(Store);
  private readonly planner = inject(Planner);
  protected readonly dead = signal<JackLabel | undefined>(undefined);
  protected readonly jacks = computed(() => {
    const { from: one, to: other } = this.step();
    return [one, other].filter((jack) => jack !== undefined);
  });
  protected readonly way = toSignal(
    toObservable(this.dead).pipe(
      switchMap((jack) =>
        jack === undefined ? of(undefined) : from(this.planner.api.deadJack(jack.lane, '')),
      ),
    ),
  );

  protected take(): void {
    const way = this.way();
    if (way === undefined) return;
    this.store.dispatch(StudioActions.change({ label: way.label, edits: way.edits }));
    this.closed.emit();
  }
}
