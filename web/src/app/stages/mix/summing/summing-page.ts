import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import type { SumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { SumId, TrackId } from '@ft/core/rig/ids';
import type { School } from '@ft/core/session/sumSchema';
import { SCHOOLS } from '@ft/core/session/sumSchema';
import { readLayout } from '@ft/core/typed/sum/placeText';
import type { StemRow } from '@ft/core/views/mix/stemRow';
import type { SumView } from '@ft/core/views/mix/summingView';
import { PartPage } from '../../../shell/part';
import { asked, askedAbout } from '../../../state/asked';
import { PlanActions } from '../../../state/plan.feature';
import { sheetAddress } from '../../../state/studio-api.service';
import { studioFeature } from '../../../state/studio.feature';
import { AnswerState } from '../../../ui/answer';
import { FileLink } from '../../../ui/file-link';
import { Entry } from '../../../ui/form/entry';
import { Pick } from '../../../ui/form/pick';
import type { MenuItem } from '../../../ui/menu';
import { Menu } from '../../../ui/menu';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Sheet } from '../../../ui/sheet/sheet';
import { SidePanel } from '../../../ui/side-panel';
import { Switcher } from '../../../ui/switcher';
import { DeedPreview } from '../../deed-preview';
import { Deeds } from '../../deeds';
import { BusSheet } from './bus-sheet';
import { ParallelPanel } from './parallel-panel';
import { stemColumns } from './stem-columns';
import { SumEdits } from './sum-edits';
import { SumSetUpPanel } from './sum-set-up-panel';

type Panel = 'set-up' | 'deed' | 'stems' | 'settings' | 'parallel' | 'paper';

const TITLES: Readonly<Partial<Record<SumDeed['does'], string>>> = {
  place: 'Place the rest',
  'place-anew': 'Place all anew',
  'to-unity': 'All faders to unity',
  'record-channels': 'Record the channels',
  'remove-sum': 'Remove the sum',
};

/** Stems against the inputs of a sum: who stands where and why, how hard it is driven, who takes how much. */
@Component({
  selector: 'ft-summing-page',
  imports: [
    ...[AnswerState, ColumnMenu, DeedPreview, Entry, FileLink, Menu, PartPage, Pick, Sheet, SidePanel],
    ...[BusSheet, ParallelPanel, SumSetUpPanel, Switcher],
  ],
  providers: [SumEdits, { provide: Deeds, useExisting: SumEdits }],
  templateUrl: './summing-page.html',
  styleUrls: ['../../consoles/panel.scss', './summing-page.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SummingPage {
  private readonly store = inject(Store);
  protected readonly edits = inject(SumEdits);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly view = asked((api) => api.summing());
  protected readonly panel = signal<Panel | undefined>(undefined);
  protected readonly deed = signal<SumDeed | undefined>(undefined);
  private readonly chosen = signal<SumId | undefined>(undefined);
  private readonly reached = signal<TrackId | undefined>(undefined);
  protected readonly sheetOf = viewChild<Sheet<StemRow>>(Sheet);
  protected readonly titles = TITLES;
  protected readonly schools = SCHOOLS.map((value) => ({
    value,
    name: value === 'own' ? 'one of my own' : value,
  }));
  protected readonly rowId = ({ track }: StemRow): string => `stem:${track}`;

  protected readonly choices = computed(() =>
    (this.view()?.sums ?? []).map(({ id, name }) => ({ id: id, name })),
  );
  protected readonly sum = computed((): SumView | undefined => {
    const sums = this.view()?.sums ?? [];
    return sums.find(({ id }) => id === this.chosen()) ?? sums[0];
  });
  /** The stem the keys are on. */
  protected readonly row = computed(() => this.sum()?.rows.find(({ track }) => track === this.reached()));
  private readonly asksFor = computed(() => {
    const [sum, track] = [this.sum()?.id, this.row()?.track];
    return sum === undefined || track === undefined ? undefined : { sum, track };
  });
  protected readonly nextBest = askedAbout(this.asksFor, (api, stem) => api.nextBest(stem));
  protected readonly hasUnplaced = computed(
    () => this.sum()?.rows.some(({ trouble }) => trouble !== '') === true,
  );
  protected readonly others = computed(() => {
    const there = new Set(this.sum()?.rows.map(({ track }) => track));
    return (this.view()?.tracks ?? []).filter(({ id }) => !there.has(id));
  });
  protected readonly prints = computed(() => [
    { value: '', name: 'no track' },
    ...(this.view()?.tracks ?? [])
      .filter(({ kind }) => kind === 'print' || kind === 'audio')
      .map(({ id, name }) => ({ value: id, name })),
  ]);
  protected readonly printId = computed(
    () => this.found()?.session.sums.find(({ id }) => id === this.sum()?.id)?.print ?? '',
  );
  protected readonly columns = computed(() => {
    const sum = this.sum();
    return sum === undefined ? [] : stemColumns(sum);
  });
  private readonly onConsole = computed((): readonly MenuItem[] =>
    this.sum()?.desk === undefined
      ? []
      : [
          { id: 'parallel', name: 'Parallel bus', note: 'cue sends over outboard and back under the mix' },
          {
            id: 'record-channels',
            name: 'Record the channels',
            note: 'each by its direct out, on its own track',
          },
        ],
  );
  protected readonly more = computed((): readonly MenuItem[] => [
    { id: 'stems', name: 'Another stem', note: 'takes a free place; nothing moves' },
    { id: 'to-unity', name: 'All faders to unity', note: 'what they did goes behind the inserts' },
    ...this.onConsole(),
    { id: 'settings', name: 'School and print', note: 'how inputs are used, and what records the sum' },
    { id: 'set-up', name: 'Set up another sum', note: 'on another mixer' },
    { id: 'paper', name: 'Summing sheet as a file', note: 'on paper or as a table' },
    { id: 'remove-sum', name: 'Remove the sum', note: 'its lines go, tracks keep their outputs' },
  ]);
  protected readonly layoutRefusal = (text: string): string | undefined => {
    const read = text.trim() === '' ? undefined : readLayout(text, this.sum()?.inputCount ?? 0);
    return read?.ok === false ? read.sentence : undefined;
  };

  constructor() {
    effect(() => {
      this.edits.sum.set(this.sum()?.id);
    });
  }

  protected choose(id: string): void {
    this.chosen.set(id as SumId);
  }

  protected do(id: string): void {
    const sum = this.sum()?.id;
    if (sum === undefined) return;
    if (id === 'to-unity' || id === 'remove-sum' || id === 'record-channels') this.look({ does: id, sum });
    else this.panel.set(id as Panel);
  }

  /** Shows what a deed comes to before it is done. */
  protected look(deed: SumDeed): void {
    this.deed.set(deed);
    this.panel.set('deed');
  }

  protected make(stem: StemRow, what: string, deed: SumDeed): void {
    void this.edits.make(`${stem.name}: ${what}`, deed);
  }

  protected add(sum: SumId, track: TrackId): void {
    const name = this.others().find(({ id }) => id === track)?.name ?? '';
    void this.edits.make(`${name} into the sum`, { does: 'add-stems', sum, tracks: [track] });
    this.panel.set(undefined);
  }

  protected teach({ id, school }: SumView, chosen: School): void {
    if (chosen !== school) this.look({ does: 'place-anew', sum: id, school: chosen });
  }

  protected lay({ id, inputCount }: SumView, text: string): void {
    const read = readLayout(text, inputCount);
    if (read.ok) this.look({ does: 'place-anew', sum: id, school: 'own', layout: read.value });
  }

  protected printOn(sum: SumId, track: string): void {
    const deed: SumDeed = { does: 'print-on', sum, ...(track !== '' && { track: track as TrackId }) };
    void this.edits.make('What prints the sum', deed);
  }

  protected reach({ track, thread }: StemRow): void {
    this.reached.set(track);
    if (thread !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: thread }, quietly: true }));
  }

  protected address(file: string): string | undefined {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? undefined : sheetAddress(studioId, place, file);
  }
}
