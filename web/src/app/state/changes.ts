import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Remote } from 'comlink';
import type { HandPatch } from '@ft/core/actions/bay/handPatch';
import type { Edit } from '@ft/core/edits/make';
import type { PlannerApi } from '../workers/planner-api';
import { Planner } from '../workers/planner.service';
import { messageOf } from './answered';
import type { Draft } from './draft.feature';
import { DraftActions } from './draft.feature';
import { StudioActions } from './studio.actions';

/** The one way in which a screen changes the studio, and says what became of it. */
@Injectable({ providedIn: 'root' })
export class Changes {
  private readonly store = inject(Store);
  private readonly planner = inject(Planner);
  /** What was asked last, its change made. */
  private last: Promise<unknown> = Promise.resolve();

  /**
   * Makes a change; without edits there is none to make.
   * @param label as history and undo call it.
   * @param draft what was typed for it: kept in its cell should the change be refused.
   */
  make(label: string, edits: readonly Edit[], draft?: Draft): void {
    if (edits.length > 0)
      this.store.dispatch(StudioActions.change({ label, edits, ...(draft && { draft }) }));
  }

  /**
   * Asks the planner what a wish comes to. Where it fails, that is said once, nothing is changed, what was typed
   * is kept, and there is no answer. One is asked after the other, each once the change of the one before is made:
   * edits are worked out from what they find, and two at a time would find the same.
   * @param label what is wanted, as `make` would call it.
   */
  async worked<R extends Promise<unknown>>(
    label: string,
    ask: (api: Remote<PlannerApi>) => R,
    draft?: Draft,
  ): Promise<Awaited<R> | undefined> {
    try {
      return await this.inTurn(() => this.planner.ask(ask));
    } catch (error) {
      if (draft !== undefined) this.store.dispatch(DraftActions.keep(draft));
      this.complain(`${label}: this could not be worked out. ${messageOf(error)} Nothing was changed.`);
      return undefined;
    }
  }

  private inTurn<T>(task: () => Promise<T>): Promise<T> {
    const turn = this.last.then(task);
    // Whoever asked goes on when the answer is there, and makes the change of it before the next is asked.
    const made = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
    this.last = turn.then(made, made);
    return turn;
  }

  /** As `worked`, and makes the change it comes to. */
  async work(
    label: string,
    ask: (api: Remote<PlannerApi>) => Promise<readonly Edit[]>,
    draft?: Draft,
  ): Promise<void> {
    const edits = await this.worked(label, ask, draft);
    if (edits !== undefined) this.make(label, edits, draft);
  }

  /** Makes a change, or says why there can be none. @returns whether it was made. */
  take(done: HandPatch | undefined): boolean {
    if (done?.ok === true) this.make(done.label, done.edits);
    else if (done !== undefined) this.complain(done.sentence);
    return done?.ok ?? false;
  }

  /** Says what went wrong; it stands until it is dismissed. */
  complain(text: string): void {
    this.store.dispatch(StudioActions.notice({ tone: 'trouble', text }));
  }

  /** Says what was done, for a moment. */
  say(text: string): void {
    this.store.dispatch(StudioActions.notice({ tone: 'said', text }));
  }
}
