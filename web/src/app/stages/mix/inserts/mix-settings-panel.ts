import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { MixSettings } from '@ft/core/session/jobSchema';
import { USUAL_MIX_SETTINGS } from '@ft/core/session/jobSchema';
import { lengthText, readLength, readSweet } from '@ft/core/typed/job/jobOptions';
import { formatGain } from '@ft/core/units/format';
import { Entry } from '../../../ui/form/entry';
import { SidePanel } from '../../../ui/side-panel';
import { InsertEdits } from './insert-edits';

/** What the mix is reckoned with: its length, the level units are wanted at, how many inserts the machine stands. */
@Component({
  selector: 'ft-mix-settings-panel',
  imports: [Entry, SidePanel],
  template: `
    <ft-side-panel title="What the mix is reckoned with" (closed)="closed.emit()">
      <div class="stack">
        <ft-entry
          label="Length of the song or reel"
          typical="4:30"
          [widthRem]="6"
          [isFigure]="true"
          [value]="length()"
          [refusal]="lengthRefusal"
          (entered)="setLength($event)"
        />
        <p class="quiet">A commit takes as long, in real time. A job may say otherwise.</p>
        <ft-entry
          label="Units are wanted at"
          unit="dBu"
          [widthRem]="6"
          [isFigure]="true"
          [value]="sweet()"
          [refusal]="sweetRefusal"
          (entered)="setSweet($event)"
        />
        <p class="quiet">RMS at the first unit of a chain. A job may say otherwise.</p>
        <ft-entry
          label="Machines feel it from"
          unit="inserts"
          [widthRem]="6"
          [isFigure]="true"
          [value]="limit()"
          [refusal]="limitRefusal"
          (entered)="setLimit($event)"
        />
        <p class="quiet">About {{ usualLimit }} at a small buffer is common; yours may differ.</p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MixSettingsPanel {
  readonly settings = input.required<MixSettings>();
  readonly closed = output();
  private readonly edits = inject(InsertEdits);
  protected readonly usualLimit = USUAL_MIX_SETTINGS.insertLimit;
  protected readonly length = computed(() => {
    const { lengthS } = this.settings();
    return lengthS === undefined ? '' : lengthText(lengthS);
  });
  protected readonly sweet = computed(() =>
    formatGain(this.settings().sweetDbu ?? USUAL_MIX_SETTINGS.sweetDbu),
  );
  protected readonly limit = computed(() =>
    String(this.settings().insertLimit ?? USUAL_MIX_SETTINGS.insertLimit),
  );

  protected readonly lengthRefusal = (text: string): string | undefined => {
    const read = readLength(text);
    return read.ok ? undefined : read.sentence;
  };
  protected readonly sweetRefusal = (text: string): string | undefined => {
    const read = readSweet(text);
    return read.ok ? undefined : read.sentence;
  };
  protected readonly limitRefusal = (text: string): string | undefined =>
    /^[1-9][0-9]{0,2}$/.test(text.trim()) && Number(text) <= 256
      ? undefined
      : 'A whole number from 1 to 256.';

  protected setLength(text: string): void {
    const read = readLength(text);
    if (read.ok) this.store('lengthS', read.value);
  }

  protected setSweet(text: string): void {
    const read = readSweet(text);
    if (read.ok) this.store('sweetDbu', read.value);
  }

  protected setLimit(text: string): void {
    this.store('insertLimit', Number(text));
  }

  private store(field: keyof MixSettings, value: number | undefined): void {
    const { [field]: _was, ...rest } = this.settings();
    const settings: MixSettings = value === undefined ? rest : { ...rest, [field]: value };
    void this.edits.make('What the mix is reckoned with', { does: 'mix-settings', settings });
  }
}
