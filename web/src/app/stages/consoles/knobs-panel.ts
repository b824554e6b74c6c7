import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { ChannelRowView, ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { SettingField } from '../../shell/inspector/setting-field';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { SidePanel } from '../../ui/side-panel';

/** The levels of a row, each to be turned on trial. */
@Component({
  selector: 'ft-knobs-panel',
  imports: [AnswerState, SettingField, SidePanel],
  template: `
    <ft-side-panel [title]="'What if: ' + row().name" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          Turned on trial, everything is worked out as if it stood there, and nothing is changed. The strip
          below and the findings follow.
        </p>
        <ft-answer [of]="knobs" what="its knobs" />
        @for (cell of knobs(); track cell.key) {
          <ft-setting-field [cell]="cell" [where]="sheet().name + ' ' + row().name" />
        } @empty {
          <p class="quiet">{{ row().name }} has no level of its own.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KnobsPanel {
  readonly sheet = input.required<ChannelSheetView>();
  readonly row = input.required<ChannelRowView>();
  readonly closed = output();
  protected readonly knobs = askedAbout(
    computed(() => ({ device: this.sheet().device, row: this.row().id })),
    (api, { device, row }) => api.rowKnobs(device, row),
  );
}
