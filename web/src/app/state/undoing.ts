import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { turned } from '@ft/core/takes/takeBack';
import { pendingOps } from './log-pending';
import type { LogStep } from './log.feature';
import { LogActions, logFeature } from './log.feature';
import { arrived, selectChangesStanding } from './standing';
import { StudioActions } from './studio.actions';
import { studioFeature } from './studio.feature';

/**
 * Undo and redo of whatever was done last here: a change of the studio, which the server takes back, or while a take log
 * is open a step on it, which this window takes back.
 */
@Injectable({ providedIn: 'root' })
export class Undoing {
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectUndoState);
  private readonly log = this.store.selectSignal(logFeature.selectLog);
  private readonly done = this.store.selectSignal(logFeature.selectDone);
  private readonly undone = this.store.selectSignal(logFeature.selectUndone);

  /** The step on the log that undo takes back, where no change of the studio came after it. */
  private readonly stepBack = computed(() => {
    const step = this.done().at(-1);
    return (this.studio().undo?.revision ?? 0) > (step?.after ?? 0) ? undefined : step;
  });
  /** The step on the log that redo makes again, where it came before the change of the studio that is next. */
  private readonly stepOn = computed(() => {
    const step = this.undone().at(-1);
    return (this.studio().redo?.revision ?? Infinity) <= (step?.after ?? 0) ? undefined : step;
  });
  /** What undo and redo do next, in words; undefined where there is nothing. */
  readonly undoLabel = computed(() => this.stepBack()?.label ?? this.studio().undo?.label);
  readonly redoLabel = computed(() => this.stepOn()?.label ?? this.studio().redo?.label);

  undo(): void {
    this.whenKnown(() => {
      const step = this.stepBack();
      if (step === undefined) this.store.dispatch(StudioActions.undo({}));
      else this.turn(step, 'undo');
    });
  }

  redo(): void {
    this.whenKnown(() => {
      const step = this.stepOn();
      if (step === undefined) this.store.dispatch(StudioActions.redo());
      else this.turn(step, 'redo');
    });
  }

  /** Which of the two was last is known when a change of the studio that is on its way has its revision. */
  private whenKnown(turn: () => void): void {
    arrived(this.store.select(selectChangesStanding)).subscribe(turn);
  }

  private turn({ label, changes }: LogStep, way: 'undo' | 'redo'): void {
    const { ops, changedSince } = turned(this.log(), changes, way === 'undo' ? 'before' : 'after');
    this.store.dispatch(LogActions.turn({ ops: pendingOps(ops), way }));
    const text = `${way === 'undo' ? 'Undone' : 'Done again'}: ${label}`;
    this.store.dispatch(
      changedSince === 0
        ? StudioActions.notice({ tone: 'said', text })
        : StudioActions.notice({
            tone: 'trouble',
            text: `${text}; what another window changed since stays as it is.`,
          }),
    );
  }
}
