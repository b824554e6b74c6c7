import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Actions, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { Here } from '../here';
import type { PartAddress } from '../stages';

/** From the ground up. */
export const STRIP_HEIGHTS = ['closed', 'line', 'full'] as const;
export type StripHeight = (typeof STRIP_HEIGHTS)[number];

const KEY = 'ft-strip-heights';

/** Parts whose own page says more than the strip would: there it is one line until somebody wants it. */
const AT_FIRST: Readonly<Partial<Record<PartAddress, StripHeight>>> = {
  'rig/devices': 'line',
  'track/consoles': 'line',
  'track/cues': 'line',
  'mix/inserts': 'line',
  'mix/summing': 'line',
  'mix/consoles': 'line',
};

type Chosen = Readonly<Partial<Record<PartAddress, StripHeight>>>;

function kept(): Chosen {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Chosen;
  } catch {
    return {};
  }
}

/**
 * How much room the strip takes: what somebody chose for the part, as long as there is something to show that has to
 * do with it. With nothing selected, or with what was selected elsewhere and means nothing here, it is one line.
 */
@Injectable({ providedIn: 'root' })
export class StripHeights {
  private readonly here = inject(Here);
  private readonly store = inject(Store);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  private readonly strip = this.store.selectSignal(planFeature.selectStrip);
  private readonly chosen = signal(kept());
  /** The part at which the selection was made, or brought to by hand. */
  private readonly chosenAt = signal<PartAddress | undefined>(undefined);

  private readonly concernsPart = computed(() => {
    const [at, selection] = [this.here.at(), this.selection()];
    if (selection === null) return false;
    if (at === undefined || this.chosenAt() === at.address) return true;
    const { shows } = at.part;
    return shows.includes(selection.kind) || (shows.includes('thread') && this.strip()?.thread !== undefined);
  });

  readonly height = computed((): StripHeight => {
    const address = this.here.at()?.address;
    const chosen = (address && (this.chosen()[address] ?? AT_FIRST[address])) ?? 'full';
    return chosen === 'full' && !this.concernsPart() ? 'line' : chosen;
  });

  constructor() {
    inject(Actions)
      .pipe(
        ofType(PlanActions.select, PlanActions.selectFinding, PlanActions.stepToHop),
        takeUntilDestroyed(),
      )
      .subscribe(() => {
        this.chosenAt.set(this.here.at()?.address);
      });
  }

  /** The next of the three: whole, one line, closed. */
  cycle(): void {
    const place = STRIP_HEIGHTS.indexOf(this.height());
    this.set(STRIP_HEIGHTS.at(place - 1) ?? 'full');
  }

  set(height: StripHeight): void {
    const address = this.here.at()?.address;
    if (address === undefined) return;
    this.chosen.update((chosen) => ({ ...chosen, [address]: height }));
    if (height === 'full') this.chosenAt.set(address);
    localStorage.setItem(KEY, JSON.stringify(this.chosen()));
  }
}
