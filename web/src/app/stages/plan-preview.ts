import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { ChannelChange, ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import { Sheet } from '../ui/sheet/sheet';
import type { SheetColumn, SheetEdits } from '../ui/sheet/sheet-column';

type Line = ChannelChange & { readonly id: string };

const COLUMNS: readonly SheetColumn<Line>[] = [
  { id: 'row', title: 'Row', widthPx: 120, text: ({ row }) => row },
  { id: 'column', title: 'Column', widthPx: 100, text: ({ column }) => column },
  { id: 'from', title: 'Is', widthPx: 110, text: ({ from }) => from },
  {
    ...{ id: 'to', title: 'Becomes', widthPx: 150 },
    text: ({ to, isDragged }) => (isDragged === true ? `${to}, moves along` : to),
  },
];

const cells = (count: number): string => (count === 1 ? 'One cell changes' : `${String(count)} cells change`);

/** What a change of many cells comes to, before it is made: every cell with what stood there, and what is left out. */
@Component({
  selector: 'ft-plan-preview',
  imports: [Sheet],
  template: `
    @let it = plan();
    <p>
      <button type="button" class="main" [disabled]="it.edits.length === 0" (click)="done.emit()">
        {{ action() }}
      </button>
      <span role="status">{{
        it.changes.length > 0
          ? words()
          : it.refused.length > 0
            ? 'It cannot be done so.'
            : 'Nothing changes: it all stands so already.'
      }}</span>
    </p>
    @for (refusal of shownRefusals(); track $index) {
      <p class="left">
        <span class="warning" aria-hidden="true">◆</span>&ngsp;<strong>{{ refusal.row }}</strong
        >:
        {{ refusal.sentence }}
      </p>
    }
    @if (more() > 0) {
      <p class="left quiet">So it is with {{ more() }} more.</p>
    }
    @if (lines().length > 0) {
      <ft-sheet name="What changes" [rows]="lines()" [columns]="columns" [edits]="readOnly" [rowId]="rowId" />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 0;
      gap: 0.4rem;
    }
    p {
      margin: 0;
      display: flex;
      gap: 0.6rem;
      align-items: baseline;
    }
    .left {
      display: block;
    }
    ft-sheet {
      max-height: 24rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanPreview {
  readonly plan = input.required<ChannelPlan>();
  /** What the button says. */
  readonly action = input.required<string>();
  readonly done = output();
  protected readonly columns = COLUMNS;
  protected readonly readOnly: SheetEdits<Line> = { enter: () => [] };
  protected readonly rowId = ({ id }: Line): string => id;
  protected readonly lines = computed(() =>
    this.plan().changes.map((change, i): Line => ({ ...change, id: `change:${String(i)}` })),
  );
  protected readonly words = computed(() => {
    const { changes } = this.plan();
    const along = changes.filter(({ isDragged }) => isDragged).length;
    return `${cells(changes.length)}${along === 0 ? '' : `, ${String(along)} of them because they move along`}.`;
  });
  protected readonly shownRefusals = computed(() => this.plan().refused.slice(0, 4));
  protected readonly more = computed(() => Math.max(0, this.plan().refused.length - 4));
}
