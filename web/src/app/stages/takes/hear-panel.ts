import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { hearAgain } from '@ft/core/views/takes/hearAgain';
import type { TakeLine } from '@ft/core/views/takes/logLines';
import { studioFeature } from '../../state/studio.feature';
import { SidePanel } from '../../ui/side-panel';
import { TakeLog } from './take-log';

/** What each performer hears again, to judge it before they come in. */
@Component({
  selector: 'ft-hear-panel',
  imports: [SidePanel],
  template: `
    <ft-side-panel [title]="'Hear it again: ' + line().name" (closed)="closed.emit()">
      <div class="stack">
        @for (one of people(); track one.performer) {
          <h3>{{ one.performer }}</h3>
          <p>{{ one.says }}</p>
        } @empty {
          <p class="quiet">Nobody is said to have played in this take.</p>
        }
        <h3>Where</h3>
        <ol>
          @for (place of places(); track $index) {
            <li>
              <span class="num">{{ place.time }}</span> {{ place.text }}
            </li>
          } @empty {
            <li class="quiet">Nothing was noted.</li>
          }
        </ol>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HearPanel {
  readonly line = input.required<TakeLine>();
  readonly closed = output();
  private readonly takes = inject(TakeLog);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly people = computed(() => {
    const found = this.found();
    return found === undefined
      ? []
      : hearAgain(found.session, found.scene, this.takes.log(), this.line().take.id);
  });
  protected readonly places = computed(() => this.people()[0]?.places ?? []);
}
