import { ChangeDetectionStrategy, Component, computed, output, signal } from '@angular/core';
import type { PlaybackDeed } from '@ft/core/actions/playback/playbackDeed';
import type { DeviceId } from '@ft/core/rig/ids';
import { numberRange } from '@ft/core/text/numberRange';
import { rangesText } from '@ft/core/text/rangesText';
import { asked } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

const NONE = { value: '', name: 'choose one' };

/** A playback check in one step: the console, what records, which channels; and what that comes to, before it is done. */
@Component({
  selector: 'ft-playback-set-up',
  imports: [AnswerState, Entry, Pick, DeedPreview, SidePanel],
  template: `
    <ft-side-panel title="Set up a playback check" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          This scene stays the live one: what its channels listen to goes to the tracks as it comes in, one to
          one. A second scene follows it, in which the recorder plays into the same channels.
        </p>
        <ft-answer [of]="gear" what="consoles and recorders" />
        <ft-entry label="Name" [widthRem]="16" [value]="name()" (entered)="name.set($event.trim())" />
        <ft-pick label="Console" [choices]="consoles()" [value]="consoleId()" (picked)="choose($event)" />
        <ft-pick
          label="Recorder"
          [choices]="recorders()"
          [value]="recorder()"
          (picked)="recorder.set($event)"
        />
        @if (chosen(); as it) {
          <ft-entry
            label="Channels"
            typical="1-16"
            [widthRem]="12"
            [value]="channelText()"
            [refusal]="channelRefusal"
            (entered)="channels.set($event)"
          />
          <p class="quiet">{{ carried() }}</p>
        }
        <ft-entry
          [label]="isHost() ? 'From host input' : 'From track'"
          [widthRem]="4"
          [isFigure]="true"
          [value]="first()"
          [refusal]="firstRefusal"
          (entered)="first.set($event.trim())"
        />
        @if (deed(); as it) {
          <ft-deed-preview [deed]="it" action="Set it up" [label]="label()" (done)="closed.emit()" />
        } @else {
          <p class="quiet">Give it a name, and choose the console, what records, and the channels.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaybackSetUpPanel {
  readonly closed = output();
  protected readonly gear = asked((api) => api.playbackGear());
  protected readonly name = signal('Rehearsal');
  protected readonly consoleId = signal('');
  protected readonly recorder = signal('');
  /** As typed; empty for all that something comes into. */
  protected readonly channels = signal('');
  protected readonly first = signal('1');

  protected readonly consoles = computed(() => [
    NONE,
    ...(this.gear()?.consoles ?? []).map(({ id, name }) => ({ value: id, name })),
  ]);
  protected readonly recorders = computed(() => [
    NONE,
    ...(this.gear()?.recorders ?? []).map(({ id, name, isHost }) => ({
      value: id,
      name: isHost ? `${name}, the host` : name,
    })),
  ]);
  protected readonly chosen = computed(() => this.gear()?.consoles.find(({ id }) => id === this.consoleId()));
  protected readonly isHost = computed(
    () => this.gear()?.recorders.find(({ id }) => id === this.recorder())?.isHost === true,
  );
  /** What is typed, else the channels that carry a line. */
  protected readonly channelText = computed(() => {
    if (this.channels() !== '') return this.channels();
    const fed = (this.chosen()?.channels ?? []).flatMap(({ isFed }, i) => (isFed ? [i + 1] : []));
    return rangesText(fed);
  });
  private readonly rows = computed(() => {
    const [there, read] = [this.chosen()?.channels ?? [], numberRange(this.channelText())];
    return read.ok ? read.numbers.flatMap((n) => there[n - 1] ?? []) : [];
  });
  protected readonly carried = computed(() => {
    const named = this.rows().filter(({ line }) => line !== '');
    return `${String(this.rows().length)} channels, ${String(named.length)} of them with a line of the input list.`;
  });
  protected readonly label = computed(() => `Playback check ${this.name()} set up`);
  protected readonly deed = computed((): PlaybackDeed | undefined => {
    const channels = this.rows().map(({ row }) => row);
    const [console, recorder] = [this.consoleId(), this.recorder()];
    if (this.name() === '' || console === '' || recorder === '' || channels.length === 0) return undefined;
    return {
      does: 'set-up',
      wish: {
        ...{ name: this.name(), channels, first: Number(this.first()) },
        ...{ console: console as DeviceId, recorder: recorder as DeviceId },
      },
    };
  });

  protected readonly channelRefusal = (text: string): string | undefined => {
    const read = numberRange(text);
    if (!read.ok) return `“${read.part}” is no range of channels. Write 1-16, or 1, 3, 5.`;
    const most = this.chosen()?.channels.length ?? 0;
    const over = read.numbers.find((n) => n > most || n < 1);
    return over === undefined
      ? undefined
      : `There is no channel ${String(over)}; the console has ${String(most)}.`;
  };
  protected readonly firstRefusal = (text: string): string | undefined =>
    /^[1-9][0-9]{0,3}$/.test(text.trim()) ? undefined : 'A number from 1.';

  protected choose(id: string): void {
    this.consoleId.set(id);
    this.channels.set('');
  }
}
