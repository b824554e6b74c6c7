import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { formatDb, formatMs } from '@ft/core/units/format';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { StripHandle } from './strip-handle';
import { StripHeights } from './strip-heights';
import { EDGE_WORDS } from '@ft/core/words/edgeWords';
import { hopFigures } from '@ft/core/views/strip/hopFigures';
import { BANDS, drawStrip } from '@ft/core/views/strip/stripDrawing';

const LEGEND = ['tieLine', 'normal', 'crosspoint'] as const;

/** The dock: the whole path through whatever is selected, hop by hop, with its level ladder and delay. */
@Component({
  selector: 'ft-thread-strip',
  imports: [StripHandle],
  templateUrl: './thread-strip.html',
  styleUrl: './thread-strip.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThreadStrip {
  private readonly store = inject(Store);
  private readonly scroller = viewChild<ElementRef<HTMLElement>>('scroller');
  private readonly width = signal(1180);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);

  protected readonly height = inject(StripHeights).height;
  protected readonly bands = BANDS;
  protected readonly drawingHeight = BANDS.figures + 62;
  protected readonly words = EDGE_WORDS;
  protected readonly strip = this.store.selectSignal(planFeature.selectStrip);
  protected readonly failure = this.store.selectSignal(planFeature.selectStripFailure);
  protected readonly hop = this.store.selectSignal(planFeature.selectHop);
  protected readonly hops = computed(() => this.strip()?.hops ?? []);
  protected readonly drawing = computed(() => drawStrip(this.hops(), this.width()));
  protected readonly figures = computed(() => hopFigures(this.hops()));
  protected readonly current = computed(() => this.hops()[this.hop()]);
  /** The kinds worth a legend: wires and what is inside a device explain themselves. */
  protected readonly kinds = computed(() => {
    const present = new Set(this.hops().map(({ kind }) => kind));
    return LEGEND.filter((kind) => present.has(kind));
  });
  protected readonly hasPlugged = computed(() => this.hops().some(({ plugged }) => plugged === true));
  protected readonly hasPlanned = computed(() => this.hops().some(({ plugged }) => plugged === false));
  protected readonly worst = computed(() => {
    const { worst = -1 } = this.strip() ?? {};
    return this.drawing().beads[worst];
  });
  protected readonly worstHop = computed(() => this.hops()[this.strip()?.worst ?? -1]);

  /** How far the signal stands over the noise where the strip ends. */
  protected readonly signalToNoise = computed(() => {
    const last = this.hops().at(-1);
    return last?.nominal === undefined || last.noise === undefined
      ? undefined
      : formatDb(last.nominal - last.noise);
  });
  protected readonly findings = computed(() => {
    const plan = this.plan();
    const row = plan?.rows.find(({ thread }) => thread.id === this.strip()?.thread);
    return plan?.findings.filter(({ key }) => row?.findings.includes(key)) ?? [];
  });
  protected readonly gaps = computed(() => this.strip()?.gaps ?? []);
  /** The devices on the way, each once where the way comes through it. */
  protected readonly stations = computed(() =>
    this.drawing()
      .blocks.map(({ name }) => name)
      .join(' › '),
  );
  protected readonly headroom = computed(() => formatDb(this.worstHop()?.headroomDb ?? 0));
  protected readonly ms = formatMs;

  constructor() {
    effect((onCleanup) => {
      const element = this.scroller()?.nativeElement;
      if (element === undefined) return;
      const observer = new ResizeObserver(() => {
        this.width.set(element.clientWidth);
      });
      observer.observe(element);
      onCleanup(() => {
        observer.disconnect();
      });
    });
    effect(() => {
      const bead = this.drawing().beads[this.hop()];
      const element = this.scroller()?.nativeElement;
      if (bead === undefined || element === undefined) return;
      const outside =
        bead.x < element.scrollLeft + 40 || bead.x > element.scrollLeft + element.clientWidth - 40;
      if (outside) element.scrollLeft = bead.x - element.clientWidth / 2;
    });
  }

  protected select(hop: number): void {
    this.store.dispatch(PlanActions.stepToHop({ hop }));
  }

  protected again(): void {
    this.store.dispatch(PlanActions.planAgain());
  }

  protected showFinding(key: string): void {
    this.store.dispatch(PlanActions.selectFinding({ key }));
  }

  protected close(): void {
    this.store.dispatch(PlanActions.clearSelection());
  }
}
