import { inject, Injectable, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { PlanActions, planFeature } from '../state/plan.feature';
import { Here } from './here';
import type { PartAddress } from './stages';

/** Kept for this window alone, as long as it is open: what the browser calls its session. */
const ALONE = 'ft-alone';
const SHARES = 'ft-shares-selection';

/** The query by which a window is opened for one part. */
export const ALONE_QUERY = 'alone';

/** How this window stands to the others: a part alone or the whole program, sharing its selection or not. */
@Injectable({ providedIn: 'root' })
export class ThisWindow {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly here = inject(Here);
  /** Whether it was opened for one part: then it has no rail. */
  readonly isAlone = signal(sessionStorage.getItem(ALONE) === 'yes');
  readonly shares = this.store.selectSignal(planFeature.selectSharesSelection);

  constructor() {
    if (sessionStorage.getItem(SHARES) === 'yes') this.share(true);
  }

  share(shared: boolean): void {
    sessionStorage.setItem(SHARES, shared ? 'yes' : 'no');
    this.store.dispatch(PlanActions.shareSelection({ shared }));
  }

  setAlone(isAlone: boolean): void {
    sessionStorage.setItem(ALONE, isAlone ? 'yes' : 'no');
    this.isAlone.set(isAlone);
  }

  /** Opens a part in a window of its own, and shares the selection with it. */
  openAlone(address: PartAddress): void {
    const tree = this.router.createUrlTree([...this.here.link(address)], {
      queryParams: { [ALONE_QUERY]: 'yes' },
    });
    this.share(true);
    window.open(this.router.serializeUrl(tree), '_blank', 'noopener,popup,width=1280,height=800');
  }

  /** What a window that was opened for one part does first. */
  beginAlone(): void {
    this.setAlone(true);
    this.share(true);
  }
}
