import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { PlaybackCheckId } from '@ft/core/rig/ids';
import type { ChannelLine, CheckView } from '@ft/core/views/playback/playbackView';
import { Here } from '../../shell/here';
import { PartPage } from '../../shell/part';
import { asked } from '../../state/asked';
import { PlanActions } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { AnswerState } from '../../ui/answer';
import type { MenuItem } from '../../ui/menu';
import { Menu } from '../../ui/menu';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import type { SheetEdits } from '../../ui/sheet/sheet-column';
import { Switcher } from '../../ui/switcher';
import { FlipPanel } from './flip-panel';
import { PeoplePanel } from './people-panel';
import type { HeldRow } from './playback-columns';
import { CHANNEL_COLUMNS, HELD_COLUMNS } from './playback-columns';
import { Deeds } from '../deeds';
import { PlaybackEdits } from './playback-edits';
import { PlaybackSetUpPanel } from './set-up-panel';
import { Trainees } from './trainees';

type Panel = 'set-up' | 'flip' | 'people' | 'training';

/** Where one state of a check leads: the scene that stands for it, and whether that is what is shown. */
interface StateLink {
  readonly name: string;
  readonly scene: string;
  readonly isHere: boolean;
  readonly link: readonly string[];
}

/** Channels that are recorded as they come in, and played back into themselves: set up, checked, flipped, practised on. */
@Component({
  selector: 'ft-playback-page',
  imports: [
    AnswerState,
    ColumnMenu,
    FlipPanel,
    Menu,
    PartPage,
    PeoplePanel,
    PlaybackSetUpPanel,
    RouterLink,
    Sheet,
    Switcher,
    Trainees,
  ],
  providers: [PlaybackEdits, { provide: Deeds, useExisting: PlaybackEdits }],
  templateUrl: './playback-page.html',
  styleUrl: './playback-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class PlaybackPage {
  private readonly store = inject(Store);
  private readonly here = inject(Here);
  protected readonly edits = inject(PlaybackEdits);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly view = asked((api) => api.playbackChecks());
  protected readonly panel = signal<Panel | undefined>(undefined);
  private readonly chosen = signal<PlaybackCheckId | undefined>(undefined);
  private readonly reachedHeld = signal<HeldRow | undefined>(undefined);
  protected readonly sheetOf = viewChild<Sheet<ChannelLine>>(Sheet);
  protected readonly columns = CHANNEL_COLUMNS;
  protected readonly heldColumns = HELD_COLUMNS;
  protected readonly readOnly: SheetEdits<HeldRow> = { enter: () => [] };

  /** The one chosen, else one this scene is a part of, else the first. */
  protected readonly check = computed((): CheckView | undefined => {
    const [checks, scene] = [this.view()?.checks ?? [], this.place()?.scene];
    return (
      checks.find(({ id }) => id === this.chosen()) ??
      checks.find(
        ({ live, playback, trainees }) =>
          live.id === scene || playback.id === scene || trainees.some((each) => each.scene === scene),
      ) ??
      checks[0]
    );
  });
  protected readonly choices = computed(() =>
    (this.view()?.checks ?? []).map(({ id, name }) => ({ id, name })),
  );
  protected readonly session = computed(() => this.place()?.session ?? '');
  protected readonly fails = computed(
    () => this.check()?.points.filter(({ stands }) => stands === 'fails').length ?? 0,
  );
  protected readonly states = computed((): readonly StateLink[] => {
    const check = this.check();
    if (check === undefined) return [];
    const link = ({ id, name }: CheckView['live'], state: string): StateLink => ({
      ...{ name: state, scene: name, isHere: id === this.place()?.scene },
      link: this.here.linkIn(this.session(), id, 'track/playback'),
    });
    return [
      link(check.live, check.isArmed ? 'Live and recording' : 'Live'),
      link(check.playback, 'Playback'),
    ];
  });
  /** Gains first: they do nothing in playback; then trims, which do. */
  protected readonly held = computed((): readonly HeldRow[] => {
    const check = this.check();
    return check === undefined ? [] : [...check.gains, ...check.trims];
  });
  protected readonly heldRow = computed(() => this.held().find(({ key }) => key === this.reachedHeld()?.key));
  protected readonly more = computed((): readonly MenuItem[] => {
    const check = this.check();
    if (check === undefined) return [];
    return [
      { id: 'training', name: 'Training', note: 'a copy for each trainee, and what they changed' },
      { id: 'set-up', name: 'Set up a check', note: 'another console, or other channels' },
      {
        ...{ id: 'arm', name: check.isArmed ? 'Live without recording' : 'Live and recording' },
        note: check.isArmed ? 'the tracks no longer armed' : 'the tracks armed in the live scene',
      },
      { id: 'remove', name: `Remove ${check.name}`, note: 'its scenes stay as they are' },
    ];
  });
  protected readonly rowId = ({ row }: ChannelLine): string => `channel:${row}`;
  protected readonly heldId = ({ key }: HeldRow): string => `held:${key}`;

  constructor() {
    effect(() => {
      this.edits.check.set(this.check()?.id);
    });
  }

  /** Alt R puts the trainee whose scene is shown back to the start. */
  protected onKey(event: KeyboardEvent): void {
    const shown = this.check()?.trainees.find(({ scene }) => scene === this.place()?.scene);
    if (shown === undefined || !event.altKey || event.ctrlKey || event.code !== 'KeyR') return;
    event.preventDefault();
    void this.edits.make(`${shown.name} back at the start`, { does: 'reset', scene: shown.scene });
  }

  protected choose(id: string): void {
    this.chosen.set(id as PlaybackCheckId);
  }

  protected do(id: string): void {
    const check = this.check();
    if (check === undefined) return;
    if (id === 'training' || id === 'set-up') this.panel.set(id);
    else if (id === 'remove')
      void this.edits.make(`${check.name} removed`, { does: 'remove', check: check.id });
    else
      void this.edits.make(check.isArmed ? `${check.name}: not armed` : `${check.name}: armed`, {
        ...{ does: 'arm', check: check.id, isArmed: !check.isArmed },
      });
  }

  protected reach({ thread }: ChannelLine): void {
    if (thread !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: thread }, quietly: true }));
  }

  protected reachHeld(row: HeldRow): void {
    this.reachedHeld.set(row);
  }

  /** Wanted on stage, or not: one of them, or all. */
  protected settle(does: 'apply-gains' | 'undo-gains', row?: HeldRow): void {
    const check = this.check()?.id;
    if (check === undefined) return;
    const what = row === undefined ? 'Gains of playback' : row.knob;
    const label = `${what}: ${does === 'apply-gains' ? 'applied on stage' : 'as on stage'}`;
    if (does === 'apply-gains' && row?.gain !== undefined)
      void this.edits.make(label, { does: 'trim-as-gain', check, key: row.key });
    else void this.edits.make(label, { does, check, ...(row && { key: row.key }) });
  }
}
