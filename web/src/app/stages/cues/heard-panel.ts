import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { earFacts } from '@ft/core/views/cues/earFacts';
import type { EarView, HeardView } from '@ft/core/views/cues/earView';
import { Sheet } from '../../ui/sheet/sheet';
import type { SheetColumn, SheetEdits } from '../../ui/sheet/sheet-column';
import { SidePanel } from '../../ui/side-panel';

const FOLLOWS = {
  'fader and mute': 'gone with its fader, and its mute',
  mute: 'gone with its mute',
  nothing: 'stays',
} as const;

const COLUMNS: readonly SheetColumn<HeardView>[] = [
  {
    ...{ id: 'name', title: 'Heard', widthPx: 226 },
    text: ({ name, isOwn, isClick }) => `${isOwn ? 'Own: ' : isClick ? 'Click: ' : ''}${name}`,
  },
  {
    ...{ id: 'level', title: 'Level', unit: 'dB SPL', widthPx: 58, isFigure: true },
    text: ({ levelDbSpl }) => levelDbSpl?.toFixed(1) ?? 'not known',
  },
  {
    id: 'late',
    title: 'Late',
    unit: 'ms',
    widthPx: 52,
    isFigure: true,
    text: ({ delayMs }) => delayMs.toFixed(2),
  },
  {
    ...{ id: 'follows', title: 'When the desk moves', widthPx: 132 },
    text: ({ follows }) => (follows === undefined ? 'comes by another way' : FOLLOWS[follows]),
  },
];

/** Everything one ear hears: each source at its level, how late, and what a hand at the desk takes away. */
@Component({
  selector: 'ft-heard-panel',
  imports: [Sheet, SidePanel],
  template: `
    <ft-side-panel [title]="title()" (closed)="closed.emit()">
      <div class="stack">
        <p>{{ facts() }}.</p>
        <ft-sheet
          name="What is heard"
          [rows]="ear().heard"
          [columns]="columns"
          [edits]="readOnly"
          [rowId]="rowId"
        />
        @if (ear().unknown > 0) {
          <p class="quiet">
            {{ ear().unknown }} of them have no level yet, and are not in the sum. Give their lines a sound
            level.
          </p>
        }
        @if (ear().isTalkbackLoud) {
          <p>
            <span class="warning" aria-hidden="true">◆</span> Talkback is
            {{ ear().talkbackOverDb?.toFixed(0) }} dB over everything else. Turn it down before somebody
            presses the key.
          </p>
        }
        @if (ear().allowedHours; as hours) {
          <p class="quiet">
            All of it together may be listened to for
            {{ hours > 24 ? 'more than a day' : hours.toFixed(1) + ' h a day' }}
            by the table of the session, talkback counted a tenth of the time. A caution from planned levels,
            no certificate; local rules come first.
          </p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeardPanel {
  readonly ear = input.required<EarView>();
  readonly closed = output();
  protected readonly columns = COLUMNS;
  protected readonly readOnly: SheetEdits<HeardView> = { enter: () => [] };
  protected readonly rowId = ({ index }: HeardView): string => `heard:${String(index)}`;
  protected readonly title = computed(() => {
    const { performerName, name, isLying } = this.ear();
    return performerName === '' || isLying ? `${name}: what they play` : `What ${performerName} hears`;
  });
  protected readonly facts = computed(() => {
    const [first = '', ...others] = earFacts(this.ear());
    return [`${first.charAt(0).toUpperCase()}${first.slice(1)}`, ...others].join(', ');
  });
}
