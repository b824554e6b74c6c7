import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { WorkStep } from '@ft/core/views/bay/workList';
import { CORD_COLOURS } from '../bay/cord-colours';

/** One step, as large as a finger wants it. */
@Component({
  selector: 'ft-step-card',
  templateUrl: './step-card.html',
  styleUrl: './step-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.next]': 'isNext()' },
})
export class StepCard {
  readonly step = input.required<WorkStep>();
  readonly isNext = input(false);
  /** Seconds still to wait before it can be ticked. */
  readonly leftS = input(0);
  readonly ticked = output();
  readonly shown = output();
  readonly stuck = output();

  protected readonly hue = computed(() => CORD_COLOURS[this.step().cord?.colour.toLowerCase() ?? '']);
  protected readonly isCord = computed(() => this.step().from !== undefined);
  protected readonly name = computed(() => {
    const { title, from, to } = this.step();
    return from === undefined ? title : `${title} ${from.name} to ${to?.name ?? ''}`;
  });
}
