import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { WireWish } from '@ft/core/actions/rig/wirePreview';
import { nameMatches } from '@ft/core/text/nameMatch';
import { typedNumber } from '@ft/core/text/typedNumber';
import { asked, askedAbout } from '../../../state/asked';
import { RigChanges } from '../rig-changes';
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
  imports: [PartPage, AnswerState, ScrollingModule, WirePreviewList],
  templateUrl: './wiring-page.html',
  styleUrl: './wiring-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WiringPage {
  protected readonly changes = inject(RigChanges);
  protected readonly ways = WAYS;
  protected readonly what = signal<What>('loom');
  protected readonly hint = computed(() => WAYS.find(({ what }) => what === this.what())?.hint ?? '');
  protected readonly first = signal('');
  protected readonly second = signal('');
  protected readonly repeat = signal(false);
  protected readonly down = signal(false);
  protected readonly filter = signal('');

  /** What is asked so far; undefined while something is not typed yet. */
  private readonly wish = computed((): WireWish | undefined => {
    const [at, other] = [this.first().trim(), this.second().trim()];
    if (at === '' || (this.what() !== 'clear' && other === '')) return undefined;
    switch (this.what()) {
      case 'loom':
        return {
          what: 'loom',
          from: at,
          to: other,
          pairing: this.repeat() ? 'repeat' : 'one-to-one',
          down: this.down(),
        };
      case 'shift': {
        const by = typedNumber(other);
        return by !== undefined && Number.isInteger(by) ? { what: 'shift', at, by } : undefined;
      }
      case 'swap':
        return { what: 'swap', at, with: other };
      case 'clear':
        return { what: 'clear', at };
    }
  });
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
  protected readonly outs = asked((api) => api.rowNames('out'));
  protected readonly ins = asked((api) => api.rowNames('in'));

  protected choose(what: What): void {
    this.what.set(what);
    this.second.set('');
  }

  protected draw(): void {
    const [preview, wish] = [this.preview(), this.wish()];
    if (preview?.ok !== true || wish === undefined) return;
    const count = preview.lines.filter(({ change }) => change !== 'there').length;
    const wires = count === 1 ? 'one wire' : `${String(count)} wires`;
    const label = wish.what === 'loom' ? `Wire ${wish.from} to ${wish.to}` : `${this.title()} ${wish.at}`;
    this.changes.change(`${label} (${wires})`, preview.edits);
    this.first.set('');
    this.second.set('');
  }

  protected title(): string {
    return WAYS.find(({ what }) => what === this.what())?.name ?? '';
  }
}
