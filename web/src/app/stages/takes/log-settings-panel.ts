import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { editSet } from '@ft/core/edits/make';
import type { TakeSettings } from '@ft/core/session/tempo';
import { readTempo, tempoText } from '@ft/core/typed/tempoText';
import { Changes } from '../../state/changes';
import { studioFeature } from '../../state/studio.feature';
import { Entry } from '../../ui/form/entry';
import { SidePanel } from '../../ui/side-panel';
import { TakeLog } from './take-log';

const readSeconds = (text: string): number | undefined => {
  const seconds = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && seconds >= 0 && seconds <= 60 ? seconds : undefined;
};

/** How takes of this session are logged: reaction time, rolls, bars; and who notes here. */
@Component({
  selector: 'ft-log-settings-panel',
  imports: [Entry, SidePanel],
  template: `
    <ft-side-panel title="How takes are logged" (closed)="closed.emit()">
      <div class="stack">
        <ft-entry
          label="Notes here are by"
          [widthRem]="14"
          [value]="takes.by()"
          (entered)="takes.called($event)"
        />
        @for (field of fields; track field.key) {
          <ft-entry
            [label]="field.label"
            unit="s"
            [isFigure]="true"
            [widthRem]="5"
            [value]="text(field.key)"
            [refusal]="refusal"
            (entered)="set(field.key, $event)"
          />
        }
        <p class="quiet">
          A note is put so long before the key, since hearing and pressing take a while. New punches begin
          with these rolls; pre-roll and post-roll are never both off.
        </p>
        <ft-entry
          label="Tempo"
          typical="120 4/4; 33: 96 3/4"
          [widthRem]="18"
          [value]="tempo()"
          [refusal]="tempoRefusal"
          (entered)="setTempo($event)"
        />
        <p class="quiet">Bars and beats beside the counter. Empty, there are none.</p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogSettingsPanel {
  readonly closed = output();
  private readonly changes = inject(Changes);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly takes = inject(TakeLog);
  protected readonly fields = [
    { key: 'reactionS', label: 'Reaction time' },
    { key: 'preRollS', label: 'Pre-roll' },
    { key: 'postRollS', label: 'Post-roll' },
  ] as const;
  protected readonly tempo = computed(() => tempoText(this.takes.settings().tempo ?? []));
  protected readonly refusal = (text: string): string | undefined =>
    readSeconds(text) === undefined ? 'Seconds from 0 to 60.' : undefined;
  protected readonly tempoRefusal = (text: string): string | undefined => {
    const read = readTempo(text);
    return read.ok ? undefined : read.sentence;
  };

  protected text(key: (typeof this.fields)[number]['key']): string {
    return String(this.takes.settings()[key]);
  }

  protected set(key: (typeof this.fields)[number]['key'], text: string): void {
    const seconds = readSeconds(text);
    if (seconds === undefined) return;
    const next = { ...this.takes.settings(), [key]: seconds };
    if (next.preRollS === 0 && next.postRollS === 0)
      this.changes.complain('Pre-roll and post-roll are never both off: somebody has to come in, or out.');
    else this.store({ [key]: seconds });
  }

  protected setTempo(text: string): void {
    const read = readTempo(text);
    if (read.ok) this.store({ tempo: [...read.value] });
  }

  private store(fields: TakeSettings): void {
    const session = this.found()?.session;
    if (session === undefined) return;
    const was = session.takes ?? null;
    const edit = editSet('session', {}, session.id, { field: 'takes', value: { ...was, ...fields }, was });
    this.changes.make('How takes are logged', [edit]);
  }
}
