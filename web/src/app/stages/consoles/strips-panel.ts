import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { StripUse } from '@ft/core/consoles/stripBudget';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { SidePanel } from '../../ui/side-panel';

const USE_WORDS: Readonly<Record<StripUse, string>> = {
  input: 'inputs',
  playback: 'playback',
  return: 'effect returns',
  group: 'groups',
  parallel: 'parallel, on a source another one has as well',
  open: 'patched, with nothing on their input',
  free: 'free',
};

/** Who has the channels of a console, and which lines have none. */
@Component({
  selector: 'ft-strips-panel',
  imports: [AnswerState, SidePanel],
  template: `
    <ft-side-panel [title]="'Channels of ' + sheet().name" (closed)="closed.emit()">
      <div class="stack">
        <ft-answer [of]="budget" what="the channels" />
        @if (budget(); as it) {
          <p>
            <strong class="num">{{ used() }}</strong> of <strong class="num">{{ it.channels }}</strong> are
            used; <strong class="num">{{ it.channels - used() }}</strong> are free.
          </p>
          @for (line of it.without; track line) {
            <p><span class="error" aria-hidden="true">▲</span> {{ line }} comes in and has no channel.</p>
          }
          @for (each of it.uses; track each.use) {
            <h3>
              <span class="num">{{ each.count }}</span> {{ words[each.use] }}
            </h3>
            @if (each.use !== 'free') {
              <ul>
                @for (name of each.names; track name) {
                  <li>{{ name }}</li>
                }
              </ul>
            }
          }
        } @else if (budget.waits() === false) {
          <p class="quiet">{{ sheet().name }} has no channels of this kind to give out.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StripsPanel {
  readonly sheet = input.required<ChannelSheetView>();
  readonly closed = output();
  protected readonly words = USE_WORDS;
  protected readonly budget = askedAbout(
    computed(() => this.sheet().device),
    (api, id) => api.stripBudget(id),
  );
  protected readonly used = computed(() =>
    (this.budget()?.uses ?? [])
      .filter(({ use }) => use !== 'free')
      .reduce((sum, { count }) => sum + count, 0),
  );
}
