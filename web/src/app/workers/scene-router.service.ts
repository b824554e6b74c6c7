import type { OnDestroy } from '@angular/core';
import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { proxy, wrap } from 'comlink';
import type { Movement } from '@ft/core/views/routing/movements';
import type { RouteMode } from '@ft/core/routing/solve/solve';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';
import { createRouterWorker } from './create-router-worker';
import { patchKey } from './patch-key';
import type { RouterApi, RoutingResult } from './router-api';

/** Work that takes longer than this shows that it is there, ms. */
const SHOW_AFTER_MS = 300;

/**
 * Routes the whole scene beside everything else. The next change of the studio, whoever makes it, ends a
 * routing that is under way: what it would say is out of date. Nothing is queued.
 */
@Injectable({ providedIn: 'root' })
export class SceneRouter implements OnDestroy {
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private worker: Worker | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private searches = 0;
  /** Searches done by the routing under way, once it has taken a while; undefined where there is none. */
  readonly running = signal<number | undefined>(undefined);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly last = signal<Pick<RoutingResult, 'movements' | 'patch'> | undefined>(undefined);
  /** What the last routing moved, and what for, as long as the scene is patched as it left it. */
  readonly movements = computed((): readonly Movement[] | undefined => {
    const [last, found] = [this.last(), this.found()];
    return last !== undefined && found != null && patchKey(found.scene) === last.patch
      ? last.movements
      : undefined;
  });

  constructor() {
    let known = this.studio();
    effect(() => {
      const studio = this.studio();
      if (studio === known) return;
      known = studio;
      untracked(() => {
        if (this.worker !== undefined) this.cancel('Routing was stopped: the studio has changed meanwhile.');
      });
    });
  }

  ngOnDestroy(): void {
    this.stop();
  }

  /** Starts a routing; one that is under way is given up. */
  async route(mode: RouteMode): Promise<void> {
    this.stop();
    this.last.set(undefined);
    const [studio, place] = [this.studio(), this.place()];
    if (studio === null || place === null) return;
    const worker = createRouterWorker();
    this.worker = worker;
    this.searches = 0;
    this.timer = setTimeout(() => {
      this.running.set(this.searches);
    }, SHOW_AFTER_MS);
    const told = proxy((searches: number) => {
      this.searches = searches;
      if (this.worker === worker && this.running() !== undefined) this.running.set(searches);
    });
    const result = await wrap<RouterApi>(worker).route(studio, place, mode, told);
    if (this.worker !== worker) return;
    this.stop();
    this.last.set(result);
    if (result.edits.length > 0) {
      const label = mode === 'all' ? 'Route everything anew' : 'Route';
      this.store.dispatch(StudioActions.change({ label, edits: result.edits }));
    }
    this.say(this.words(result.edits.length > 0, result.stuck, result.movements.length));
  }

  /** What was moved has been read. */
  forgetMovements(): void {
    this.last.set(undefined);
  }

  /** Gives up the routing under way, and says why. */
  cancel(why = 'Routing was stopped. Nothing was changed.'): void {
    this.stop();
    this.say(why);
  }

  private words(isChanged: boolean, stuck: number, moved: number): string {
    const others =
      moved === 0
        ? ''
        : ` ${moved === 1 ? 'One thread' : `${String(moved)} threads`} moved; the Routing page says what for.`;
    const left = stuck === 1 ? 'one thread has no way' : `${String(stuck)} threads have no way`;
    if (isChanged)
      return `${stuck === 0 ? 'Routed.' : `Routed; ${left}, and the findings say why.`}${others}`;
    return stuck === 0
      ? 'Nothing to route: every thread runs as well as it can.'
      : `Nothing can be routed: ${left}, and the findings say why.`;
  }

  private stop(): void {
    clearTimeout(this.timer);
    this.worker?.terminate();
    this.worker = undefined;
    this.running.set(undefined);
  }

  private say(text: string): void {
    this.store.dispatch(StudioActions.notice({ tone: 'said', text }));
  }
}
