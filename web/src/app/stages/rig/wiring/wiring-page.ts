import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { startWith, switchMap } from 'rxjs';
import type { WireWish } from '@ft/core/actions/rig/wirePreview';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { WireLine } from '@ft/core/views/rig/rigView';
import { asked, askedAbout } from '../../../state/asked';
import { RigChanges } from '../rig-changes';
import { SearchBox } from '../../../ui/form/search-box';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Field } from '../../../ui/form/field';
import { Hint } from '../../../ui/hint';
import { Reached } from '../../../ui/sheet/reached';
import { Sheet } from '../../../ui/sheet/sheet';
import { WIRE_COLUMNS, WireEdits } from './wire-edits';
import { wishForm, wishOf } from './wire-wish';
import { WirePreviewList } from './wire-preview-list';
import { AnswerState } from '../../../ui/answer';
import { PartPage } from '../../../shell/part';

type What = WireWish['what'];
const WAIT_MS = 120;

const WAYS: readonly { readonly what: What; readonly name: string; readonly hint: string }[] = [
  {
    what: 'loom',
    name: 'Draw a loom',
    hint: 'Device, connectors and numbers: Bay A lower 1-24, Converter DB-25 2, Console group out 1-15/2. One side may be just its first number.',
  },
  {
    what: 'shift',
    name: 'Shift',
    hint: 'Moves the wires at these connectors along their row, by a number of places; minus goes down.',
  },
  {
    what: 'swap',
    name: 'Swap',
    hint: 'What hangs on the first connectors goes to the second, and the other way round.',
  },
  { what: 'clear', name: 'Clear', hint: 'Takes out every wire that ends at these connectors.' },
];

/** Fixed wiring: whole looms at once, shown before they are drawn, and every wire that is there. */
@Component({
  selector: 'ft-wiring-page',
  imports: [AnswerState, ColumnMenu, Field, Hint, PartPage, SearchBox, Sheet, WirePreviewList],
  providers: [WireEdits],
  templateUrl: './wiring-page.html',
  styleUrl: './wiring-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WiringPage {
  protected readonly changes = inject(RigChanges);
  protected readonly ways = WAYS;
  protected readonly what = signal<What>('loom');
  protected readonly hint = computed(() => WAYS.find(({ what }) => what === this.what())?.hint ?? '');
  protected readonly filter = signal('');
  private readonly outs = asked((api) => api.rowNames('out'));
  private readonly ins = asked((api) => api.rowNames('in'));
  protected readonly form = computed(() => wishForm(this.what(), this.outs, this.ins));
  private readonly typed = toSignal(
    toObservable(this.form).pipe(switchMap(({ group }) => group.valueChanges.pipe(startWith(group.value)))),
    { initialValue: {} },
  );
  /** What is asked so far; undefined while something is not typed yet. */
  private readonly wish = computed(() => wishOf(this.what(), this.typed()));
  protected readonly preview = askedAbout(this.wish, (api, wish) => api.wirePreview(wish), WAIT_MS);
  protected readonly ready = computed(() => {
    const preview = this.preview();
    return preview?.ok === true && preview.edits.length > 0;
  });
  protected readonly wires = asked((api) => api.wires());
  protected readonly shown = computed(() =>
    (this.wires() ?? []).filter((wire) => nameMatches(`${wire.from} ${wire.to}`, this.filter().trim())),
  );
  protected readonly none = computed(() => this.wires()?.length === 0);
  protected readonly sheet = viewChild<Sheet<WireLine>>(Sheet);
  protected readonly columns = WIRE_COLUMNS;
  protected readonly edits = inject(WireEdits);
  protected readonly rowId = ({ id }: WireLine): string => `wire:${id}`;
  protected readonly reached = new Reached(this.shown, this.rowId);

  protected choose(what: What): void {
    this.what.set(what);
  }

  protected draw(): void {
    const [preview, wish] = [this.preview(), this.wish()];
    if (preview?.ok !== true || wish === undefined) return;
    const count = preview.lines.filter(({ change }) => change !== 'there').length;
    const wires = count === 1 ? 'one wire' : `${String(count)} wires`;
    const label = wish.what === 'loom' ? `Wire ${wish.from} to ${wish.to}` : `${this.title()} ${wish.at}`;
    this.changes.change(`${label} (${wires})`, preview.edits);
    this.form().restart({ first: '', second: '' });
  }

  protected title(): string {
    return WAYS.find(({ what }) => what === this.what())?.name ?? '';
  }
}
