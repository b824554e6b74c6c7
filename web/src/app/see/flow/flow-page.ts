import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { EDGE_WORDS } from '@ft/core/words/edgeWords';
import type { DeviceId } from '@ft/core/rig/ids';
import { askedAbout } from '../../state/asked';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import type { FlowLayout, PlacedLink } from './flow-layout';
import { FlowLayouts } from './flow-layout.service';
import { AnswerState } from '../../ui/answer';
import { Pick } from '../../ui/form/pick';
import { PartPage } from '../../shell/part';

const MARGIN = 16;

/** How many devices away from the one in the middle. */
const REACHES = [1, 2, 3, 4].map((value) => ({
  value,
  name: value === 1 ? '1 step' : `${String(value)} steps`,
}));

/** What a device hears and what hears it, as a diagram from left to right. */
@Component({
  selector: 'ft-flow-page',
  imports: [AnswerState, PartPage, Pick],
  templateUrl: './flow-page.html',
  styleUrl: './flow-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FlowPage {
  /** The device in the middle, from the address; without one the first that does something. */
  readonly device = input<string>();
  private readonly store = inject(Store);
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
  protected readonly choices = computed(() => this.devices().map(({ id, name }) => ({ value: id, name })));
  protected readonly steps = signal(1);
  protected readonly reaches = REACHES;
  protected readonly words = EDGE_WORDS;

  protected readonly shown = askedAbout(
    computed(() => {
      const middle = this.middle();
      return middle === undefined ? undefined : { middle, steps: this.steps() };
    }),
    async (api, { middle, steps }) => this.layouts.layout(await api.flow(middle, steps)),
  );

  protected box({ width, height }: FlowLayout): string {
    return `${String(-MARGIN)} ${String(-MARGIN)} ${String(width + 2 * MARGIN)} ${String(height + 2 * MARGIN)}`;
  }

  protected line({ points }: PlacedLink): string {
    return points.map(({ x, y }) => `${String(x)},${String(y)}`).join(' ');
  }

  /** The device in the middle stands in the address, so that going back goes back. */
  protected centre(id: DeviceId | undefined): void {
    if (id === undefined) return;
    this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id } }));
    void this.router.navigate([], { queryParams: { device: id } });
  }
}
