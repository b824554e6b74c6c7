import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { catchError, combineLatest, EMPTY, from, map, of, startWith, switchMap } from 'rxjs';
import { EDGE_WORDS } from '@ft/core/words/edgeWords';
import type { DeviceId } from '@ft/core/rig/ids';
import { PlanActions, planFeature } from '../state/plan.feature';
import { studioFeature } from '../state/studio.feature';
import { Planner } from '../workers/planner.service';
import type { FlowLayout, PlacedLink } from './flow-layout';
import { FlowLayouts } from './flow-layout.service';

type Shown =
  | { readonly state: 'working' }
  | { readonly state: 'shown'; readonly layout: FlowLayout }
  | { readonly state: 'failed'; readonly message: string };

const MARGIN = 16;

/** What a device hears and what hears it, as a diagram from left to right. */
@Component({
  selector: 'ft-flow-page',
  templateUrl: './flow-page.html',
  styleUrl: './flow-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FlowPage {
  /** The device in the middle, from the address; without one the first that does something. */
  readonly device = input<string>();
  private readonly store = inject(Store);
  private readonly planner = inject(Planner);
  private readonly layouts = inject(FlowLayouts);
  private readonly router = inject(Router);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);

  protected readonly devices = computed(() =>
    [...(this.studio()?.rig.devices ?? [])].sort((a, b) =>
      a.name.localeCompare(b.name, 'en', { numeric: true }),
    ),
  );
  protected readonly middle = computed((): DeviceId | undefined => {
    const [devices, asked, selected] = [this.devices(), this.device(), this.selection()];
    return (
      devices.find(({ id }) => id === asked)?.id ??
      (selected?.kind === 'device' ? selected.id : undefined) ??
      devices.find(({ type }) => type === 'dawHost' || type === 'converter')?.id ??
      devices[0]?.id
    );
  });
  protected readonly steps = signal(1);
  protected readonly words = EDGE_WORDS;

  protected readonly shown = toSignal(
    combineLatest([
      toObservable(this.middle),
      toObservable(this.steps),
      this.store.select(planFeature.selectPlan),
    ]).pipe(
      switchMap(([middle, steps, plan]) => {
        if (middle === undefined || plan === null) return EMPTY;
        return from(this.planner.api.flow(middle, steps)).pipe(
          switchMap((graph) => from(this.layouts.layout(graph))),
          map((layout): Shown => ({ state: 'shown', layout })),
          startWith<Shown>({ state: 'working' }),
          catchError((error: unknown) =>
            of<Shown>({ state: 'failed', message: error instanceof Error ? error.message : String(error) }),
          ),
        );
      }),
    ),
    { initialValue: { state: 'working' } satisfies Shown },
  );

  protected box({ layout }: { readonly layout: FlowLayout }): string {
    return `${String(-MARGIN)} ${String(-MARGIN)} ${String(layout.width + 2 * MARGIN)} ${String(layout.height + 2 * MARGIN)}`;
  }

  protected line({ points }: PlacedLink): string {
    return points.map(({ x, y }) => `${String(x)},${String(y)}`).join(' ');
  }

  /** The device in the middle stands in the address, so that going back goes back. */
  protected centre(id: string): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id: id as DeviceId } }));
    void this.router.navigate([], { queryParams: { device: id } });
  }
}
