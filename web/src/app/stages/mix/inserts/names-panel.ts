import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import type { NameLine } from '@ft/core/views/mix/nameList';
import { asked } from '../../../state/asked';
import { sheetAddress } from '../../../state/studio-api.service';
import { studioFeature } from '../../../state/studio.feature';
import { AnswerState } from '../../../ui/answer';
import { FileLink } from '../../../ui/file-link';
import { Sheet } from '../../../ui/sheet/sheet';
import type { SheetColumn, SheetEdits } from '../../../ui/sheet/sheet-column';
import { SidePanel } from '../../../ui/side-panel';

type Line = NameLine & { readonly id: string };

const COLUMNS: readonly SheetColumn<Line>[] = [
  { id: 'what', title: '', widthPx: 62, text: ({ what }) => what },
  { id: 'number', title: 'Number', widthPx: 76, isFigure: true, text: ({ number }) => number },
  {
    ...{ id: 'name', title: 'Name in the host', widthPx: 190 },
    text: ({ name, isOff }) => (isOff && name === '' ? 'switch off' : name),
    isQuiet: ({ isOff }) => isOff,
  },
  { id: 'leads', title: 'Connector', widthPx: 180, text: ({ leads }) => leads },
];

/** What every input, output and insert is to be called in the host, on the screen, on paper and as a table. */
@Component({
  selector: 'ft-names-panel',
  imports: [AnswerState, FileLink, Sheet, SidePanel],
  template: `
    <ft-side-panel title="The host’s name list" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          Inputs, outputs and inserts as they should be called in the host, and in the matrix of an interface
          before it. What nothing uses can be switched off there: {{ off() }} of {{ all() }}.
        </p>
        <p class="files">
          @if (pdf(); as it) {
            <ft-file-link [address]="it">On paper (PDF)</ft-file-link>
          }
          @if (csv(); as it) {
            <ft-file-link [address]="it">Table (CSV)</ft-file-link>
          }
        </p>
        <ft-answer [of]="names" what="the names" />
        <ft-sheet name="Names" [rows]="lines()" [columns]="columns" [edits]="readOnly" [rowId]="rowId" />
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../../consoles/panel.scss',
  styles: `
    .files {
      display: flex;
      gap: 0.6rem;
    }
    ft-sheet {
      height: 30rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NamesPanel {
  readonly closed = output();
  private readonly store = inject(Store);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly names = asked((api) => api.nameList());
  protected readonly lines = computed(() =>
    (this.names() ?? []).map((line, i): Line => ({ ...line, id: `name:${String(i)}` })),
  );
  private readonly ports = computed(() =>
    this.lines().filter(({ what }) => what === 'Input' || what === 'Output'),
  );
  protected readonly all = computed(() => this.ports().length);
  protected readonly off = computed(() => this.ports().filter(({ isOff }) => isOff).length);
  protected readonly columns = COLUMNS;
  protected readonly readOnly: SheetEdits<Line> = { enter: () => [] };
  protected readonly rowId = ({ id }: Line): string => id;
  protected readonly pdf = computed(() => this.address('names.pdf'));
  protected readonly csv = computed(() => this.address('names.csv'));

  private address(file: string): string | undefined {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? undefined : sheetAddress(studioId, place, file);
  }
}
