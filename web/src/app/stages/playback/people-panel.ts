import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import type { PlaybackDeed } from '@ft/core/actions/playback/playbackDeed';
import type { ChannelLine, CheckView } from '@ft/core/views/playback/playbackView';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

/** Who plays back and who stays live, by people rather than by channels. */
@Component({
  selector: 'ft-people-panel',
  imports: [DeedPreview, SidePanel, Tick],
  template: `
    <ft-side-panel title="Who plays back" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          Somebody who is not here plays back, the others stay live: the flip then touches the channels of the
          former only.
        </p>
        <fieldset>
          <legend class="quiet">From the recorder</legend>
          @for (person of people(); track person.name) {
            <ft-tick
              [label]="person.name + ': ' + person.what"
              [isOn]="isOn(person.channels)"
              (ticked)="tick(person.channels, $event)"
            />
          }
        </fieldset>
        <ft-deed-preview
          [deed]="deed()"
          action="Let these play back"
          [label]="'Who plays back in ' + check().name"
          (done)="closed.emit()"
        />
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PeoplePanel {
  readonly check = input.required<CheckView>();
  readonly closed = output();
  protected readonly playing = linkedSignal<ReadonlySet<string>>(
    () =>
      new Set(
        this.check()
          .channels.filter(({ isPlaying }) => isPlaying)
          .map(({ row }) => row),
      ),
  );
  protected readonly people = computed(() => {
    const { channels } = this.check();
    const names = [...new Set(channels.map(({ performer }) => performer))];
    return names.map((name) => {
      const own = channels.filter(({ performer }) => performer === name);
      return { name: name === '' ? 'Nobody' : name, what: this.channelsOf(own), channels: own };
    });
  });
  protected readonly deed = computed((): PlaybackDeed => ({
    ...{ does: 'scope', check: this.check().id, playing: [...this.playing()] },
  }));

  protected isOn(channels: readonly ChannelLine[]): boolean {
    return channels.every(({ row }) => this.playing().has(row));
  }

  protected tick(channels: readonly ChannelLine[], isOn: boolean): void {
    const playing = new Set(this.playing());
    for (const { row } of channels)
      if (isOn) playing.add(row);
      else playing.delete(row);
    this.playing.set(playing);
  }

  private channelsOf(own: readonly ChannelLine[]): string {
    return own.map(({ channel }) => channel).join(', ');
  }
}
