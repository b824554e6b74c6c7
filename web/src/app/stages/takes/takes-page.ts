import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { NOTE_KINDS } from '@ft/core/takes/logRows';
import { playersIn } from '@ft/core/takes/newRows';
import type { NoteLine, PunchLine, TakeLine } from '@ft/core/views/takes/logLines';
import { noteLines, punchLines, struckLines, takeLines, takesOf } from '@ft/core/views/takes/logLines';
import { PartPage } from '../../shell/part';
import { studioFeature } from '../../state/studio.feature';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { Tick } from '../../ui/form/tick';
import type { MenuItem } from '../../ui/menu';
import { Menu } from '../../ui/menu';
import { Sheet } from '../../ui/sheet/sheet';
import { CounterBand } from './counter-band';
import { HeadphonesToday } from './headphones-today';
import { HearPanel } from './hear-panel';
import { LogOutPanel } from './out-panel';
import { LogSettingsPanel } from './log-settings-panel';
import { PunchPanel } from './punch-panel';
import { NOTE_COLUMNS, PUNCH_COLUMNS, TAKE_COLUMNS } from './take-columns';
import { noteEdits, punchEdits, takeEdits } from './take-edits';
import { TakeLog } from './take-log';
import { TimecodeSource } from './timecode-source';

type Panel = 'hear' | 'punch' | 'settings' | 'out';

const CROSSED_OUT = 'crossed out';

const MORE: readonly (MenuItem & { readonly id: Panel })[] = [
  { id: 'out', name: 'The log as a file', note: 'paper, table, labels' },
  { id: 'settings', name: 'How takes are logged', note: 'reaction time, rolls, tempo, who notes here' },
];

/** The day as it is recorded: what ran when, what was wrong, what is played again, what is kept. */
@Component({
  selector: 'ft-takes-page',
  imports: [
    CounterBand,
    Entry,
    HeadphonesToday,
    HearPanel,
    LogOutPanel,
    LogSettingsPanel,
    Menu,
    PartPage,
    Pick,
    PunchPanel,
    Sheet,
    Tick,
  ],
  providers: [TakeLog, TimecodeSource],
  templateUrl: './takes-page.html',
  styleUrl: './takes-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class TakesPage {
  protected readonly takes = inject(TakeLog);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly panel = signal<Panel | undefined>(undefined);
  protected readonly more = MORE;
  protected readonly takeColumns = TAKE_COLUMNS;
  protected readonly noteColumns = NOTE_COLUMNS;
  protected readonly punchColumns = PUNCH_COLUMNS;
  protected readonly takeEdits = takeEdits(this.takes);
  protected readonly noteEdits = noteEdits(this.takes);
  protected readonly punchEdits = punchEdits(this.takes);
  protected readonly band = viewChild(CounterBand);
  private readonly reachedTake = signal<string | undefined>(undefined);
  private readonly reachedPunch = signal<string | undefined>(undefined);
  /** The take whose notes are shown, or those that are crossed out; empty for all that count. */
  private readonly chosen = signal('');
  protected readonly shown = computed(() =>
    this.chosen() === CROSSED_OUT && this.struck().length === 0 ? '' : this.chosen(),
  );
  protected readonly isCrossedOut = computed(() => this.shown() === CROSSED_OUT);

  protected readonly lines = computed(() =>
    [...takeLines(this.takes.log(), this.found()?.session ?? { tracks: [] })].reverse(),
  );
  private readonly struck = computed(() => struckLines(this.takes.log()));
  protected readonly notes = computed(() => {
    const shown = this.shown();
    if (shown === CROSSED_OUT) return [...this.struck()].reverse();
    return [...noteLines(this.takes.log(), shown === '' ? undefined : shown)].reverse();
  });
  protected readonly punches = computed(() => punchLines(this.takes.log()));
  protected readonly take = computed(() => this.lines().find(({ take }) => take.id === this.reachedTake()));
  protected readonly punch = computed(() =>
    this.punches().find(({ punch }) => punch.id === this.reachedPunch()),
  );
  protected readonly takeChoices = computed(() => [
    { value: '', name: 'every take' },
    ...this.lines().map(({ take, name }) => ({ value: take.id, name })),
    ...(this.struck().length > 0
      ? [{ value: CROSSED_OUT, name: `${String(this.struck().length)} crossed out` }]
      : []),
  ]);
  protected readonly players = computed(() => playersIn(this.takes.lines()));
  /** Everybody who has a line that is recorded, until somebody says who plays. */
  protected readonly who = linkedSignal<ReadonlySet<string>>(() => new Set(this.players()));
  protected readonly reel = linkedSignal(() => takesOf(this.takes.log()).at(-1)?.reel ?? 'Reel 1');
  /** By hand, a take starts at nought until somebody says where. */
  protected readonly startS = signal(0);

  protected readonly takeId = ({ take }: TakeLine): string => `take:${take.id}`;
  protected readonly noteId = ({ note }: NoteLine): string => `note:${note.id}`;
  protected readonly punchId = ({ punch }: PunchLine): string => `punch:${punch.id}`;

  protected start(): void {
    this.takes.start({ reel: this.reel(), performers: [...this.who()], counterS: this.startS() });
  }

  protected show(take: string): void {
    this.chosen.set(take);
  }

  protected tick(name: string, isOn: boolean): void {
    const who = new Set(this.who());
    if (isOn) who.add(name);
    else who.delete(name);
    this.who.set(who);
  }

  protected openPanel(id: string): void {
    this.panel.set(id as Panel);
  }

  protected reachTake({ take }: TakeLine): void {
    this.reachedTake.set(take.id);
  }

  protected reachPunch({ punch }: PunchLine): void {
    this.reachedPunch.set(punch.id);
  }

  /** With Alt, so that nothing that is typed is taken for one of them, and nothing interrupts what is typed. */
  protected onKey(event: KeyboardEvent): void {
    if (!event.altKey || event.ctrlKey || event.metaKey) return;
    const digit = /^Digit([1-6])$/.exec(event.code)?.[1];
    const kind = digit === undefined ? undefined : NOTE_KINDS[Number(digit) - 1];
    if (kind !== undefined) this.takes.note(kind);
    else if (event.code === 'KeyN') this.takes.note();
    else if (event.code === 'KeyH') this.takes.sync();
    else if (event.code !== 'KeyS') return;
    else if (this.takes.running() === undefined) this.start();
    else this.takes.stop();
    event.preventDefault();
  }
}
