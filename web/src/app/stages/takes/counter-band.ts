import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { barsAt, barText } from '@ft/core/takes/bars';
import { clockText, readClock } from '@ft/core/takes/counter';
import type { NoteKind } from '@ft/core/takes/logRows';
import { NOTE_KINDS } from '@ft/core/takes/logRows';
import { takeName } from '@ft/core/views/takes/logLines';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { BY_HAND, TimecodeSource } from './timecode-source';
import { TakeLog } from './take-log';

const TICK_MS = 100;

/** The counter as large as it can be read from the door, what runs, and the keys that note. */
@Component({
  selector: 'ft-counter-band',
  imports: [Entry, Pick],
  templateUrl: './counter-band.html',
  styleUrl: './counter-band.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CounterBand implements OnDestroy {
  readonly reel = input.required<string>();
  /** Where the next take starts by hand. */
  readonly startS = input.required<number>();
  readonly started = output();
  readonly startSet = output<number>();
  protected readonly takes = inject(TakeLog);
  protected readonly host = inject(TimecodeSource);
  protected readonly kinds = NOTE_KINDS;
  private readonly nowMs = signal(Date.now());
  private readonly timer = setInterval(() => {
    this.nowMs.set(Date.now());
  }, TICK_MS);

  protected readonly counterS = computed(() => this.takes.counterS(this.nowMs()) ?? this.startS());
  protected readonly clock = computed(() => clockText(this.counterS()));
  protected readonly bars = computed(() => {
    const at = barsAt(this.takes.settings().tempo ?? [], this.counterS());
    return at === undefined ? '' : barText(at);
  });
  protected readonly running = this.takes.running;
  protected readonly state = computed(() => {
    const take = this.running();
    return take === undefined ? 'Stopped' : `${takeName(take)} runs`;
  });
  protected readonly sources = computed(() =>
    this.host.sources().map(({ id, name }) => ({ value: id, name })),
  );
  protected readonly isFollowing = computed(() => this.host.chosen() !== BY_HAND.id);
  protected readonly isHostSilent = computed(
    () => this.isFollowing() && this.host.nowS(this.nowMs()) === undefined,
  );
  protected readonly startText = computed(() => clockText(this.startS()));
  protected readonly startRefusal = (text: string): string | undefined =>
    readClock(text) === undefined ? 'Write 1:02:03, 2:03 or 83.5.' : undefined;

  protected setStart(text: string): void {
    const startS = readClock(text);
    if (startS !== undefined) this.startSet.emit(startS);
  }

  protected startOrStop(): void {
    if (this.running() === undefined) this.started.emit();
    else this.takes.stop();
  }

  protected note(kind?: NoteKind): void {
    this.takes.note(kind);
  }

  ngOnDestroy(): void {
    clearInterval(this.timer);
  }
}
