import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import { readingCell } from '@ft/core/actions/levels/readingCell';
import { refuse } from '@ft/core/text/cellReading';
import { formatNumber } from '@ft/core/units/format';
import type { LineUpRow } from '@ft/core/views/levels/lineUpSheet';
import { PartPage } from '../../shell/part';
import { asked } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { sheetAddress } from '../../state/studio-api.service';
import { AnswerState } from '../../ui/answer';
import { FileLink } from '../../ui/file-link';
import type { TakingColumn } from '../../ui/sheet/cell-takers';
import { CellTakers } from '../../ui/sheet/cell-takers';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import { inTurn, LINE_UP_COLUMNS, LINE_UP_ERROR } from './line-up-columns';

/** The tones to send, what to expect, what was read, and the error. */
@Component({
  selector: 'ft-line-up-page',
  imports: [AnswerState, ColumnMenu, FileLink, PartPage, Sheet],
  template: `
    <ft-part of="levels/line-up">
      <ng-container ngProjectAs="[tools]">
        <ft-file-link [address]="address()">Print (PDF)</ft-file-link>
        @if (sheet(); as it) {
          <ft-column-menu [layout]="it.layout" />
        }
      </ng-container>
      <p class="caution">
        <span class="warning">◆</span> Turn monitors and phones down before a tone goes out. Send
        <span class="num">1 kHz</span>, one channel after the other, with nothing else connected. Type what
        was read; an error over <span class="num">0.2 dB</span> is marked.
      </p>
      <ft-answer [of]="told" what="the line-up" />
      @if (rows()?.length === 0) {
        <p class="empty">The rig has no converter or summing mixer to line up.</p>
      } @else if (rows(); as all) {
        <ft-sheet name="Line-up" [rows]="all" [columns]="columns" [edits]="edits" [rowId]="rowId" />
      }
    </ft-part>
  `,
  styles: `
    .caution {
      margin: 0.3rem 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineUpPage {
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  protected readonly sheet = viewChild<Sheet<LineUpRow>>(Sheet);
  protected readonly told = asked((api) => api.lineUp());
  /** Outputs first: what is sent into an input comes from one. */
  protected readonly rows = computed(() => this.told() && [...(this.told() ?? [])].sort(inTurn));
  protected readonly rowId = ({ station }: LineUpRow): string => `line-up:${station}`;

  protected readonly columns: readonly TakingColumn<LineUpRow>[] = [
    ...LINE_UP_COLUMNS,
    {
      ...{ id: 'read', title: 'Read', widthPx: 80, editor: 'figure', isFigure: true },
      hint: 'In the unit of what is expected',
      text: ({ read }) => (read === undefined ? '' : formatNumber(read)),
      take: (row, text) => {
        const session = this.place()?.session;
        return session === undefined ? refuse('No session is open.') : readingCell(session, row, text);
      },
    },
    LINE_UP_ERROR,
  ];
  protected readonly edits = new CellTakers<LineUpRow>(() => this.columns, {
    one: ({ name }) => `Line-up: ${name}`,
    many: 'Line-up',
  });

  protected readonly address = computed(() => {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? '' : sheetAddress(studioId, place, 'line-up.pdf');
  });
}
