import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { PunchLine } from '@ft/core/views/takes/logLines';
import { punchSentences } from '@ft/core/views/takes/punchWords';
import { SidePanel } from '../../ui/side-panel';
import { TakeLog } from './take-log';

/** How a punch runs, for both sides of the window, and the run itself. */
@Component({
  selector: 'ft-punch-panel',
  imports: [SidePanel],
  template: `
    <ft-side-panel [title]="'Punch: ' + line().in + ' to ' + line().out" (closed)="closed.emit()">
      <div class="stack">
        <ul>
          @for (sentence of sentences(); track $index) {
            <li>{{ sentence }}</li>
          }
        </ul>
        <p>
          <button type="button" class="main" [disabled]="takes.running() !== undefined" (click)="run()">
            Run it from {{ line().recorded }}
          </button>
        </p>
        <p class="quiet">
          Two schools: a layer that begins as a copy of the last take keeps what is not played again under it,
          and joins are heard at once; one that begins from nothing holds only what is played now.
        </p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PunchPanel {
  readonly line = input.required<PunchLine>();
  readonly reel = input.required<string>();
  readonly closed = output();
  protected readonly takes = inject(TakeLog);
  protected readonly sentences = computed(() => punchSentences(this.line().punch));

  protected run(): void {
    const { punch } = this.line();
    this.takes.start({
      ...{ reel: this.reel(), performers: punch.performer === '' ? [] : [punch.performer] },
      ...{ counterS: Math.max(0, punch.inS - punch.preRollS), of: punch.take, punch },
    });
    this.closed.emit();
  }
}
