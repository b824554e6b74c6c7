import { editSet, editStudioName, fieldRead } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import type { Edit } from '@ft/core/edits/make';
import { BUFFER_SAMPLES, WORD_LENGTHS_BITS } from '@ft/core/session/sessionSchema';
import { SAMPLE_RATES_HZ } from '@ft/core/units/sampleRates';
import { referenceDbuOf } from '@ft/core/units/digitalLevel';
import { formatLevel } from '@ft/core/units/format';
import { studioFeature } from '../state/studio.feature';
import { Changes } from '../state/changes';
import { typedNumber } from '@ft/core/text/typedNumber';

/** A name that can be changed, and the edit that changes it. */
interface NameField {
  readonly what: 'session' | 'scene' | 'studio';
  readonly label: string;
  readonly value: string;
  readonly edit: (value: string, was: string) => Edit;
}

/** The facts of the session in the header, and behind them the fields that change them. */
@Component({
  selector: 'ft-session-panel',
  imports: [NgbDropdownModule],
  templateUrl: './session-panel.html',
  styleUrl: './session-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SessionPanel {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly rates = SAMPLE_RATES_HZ;
  protected readonly words = WORD_LENGTHS_BITS;
  /** The usual buffers, and the one set where it is another. */
  protected readonly buffers = computed(() => {
    const own = this.found()?.session.bufferSamples;
    return [...new Set([...BUFFER_SAMPLES, ...(own === undefined ? [] : [own])])].sort((a, b) => a - b);
  });

  protected readonly facts = computed(() => {
    const session = this.found()?.session;
    if (session === undefined) return '';
    const { dbfs, dbu } = session.lineUp;
    const lineUp = `${formatLevel(dbfs, 'dBFS')} = ${formatLevel(dbu, 'dBu')}`;
    return `${String(session.sampleRateHz / 1000)} kHz · ${lineUp}`;
  });

  /** What the line-up says of full scale. */
  protected readonly fullScale = computed(() => {
    const lineUp = this.found()?.session.lineUp;
    return lineUp === undefined ? '' : `0 dBFS = ${formatLevel(referenceDbuOf(lineUp), 'dBu')}`;
  });

  protected readonly names = computed((): readonly NameField[] => {
    const [studio, found] = [this.studio(), this.found()];
    if (studio === null || found === undefined) return [];
    const { session, scene } = found;
    return [
      {
        what: 'session',
        label: 'Session',
        value: session.name,
        edit: (value, was) => editSet('session', {}, session.id, { field: 'name', value, was }),
      },
      {
        what: 'scene',
        label: 'Scene',
        value: scene.name,
        edit: (value, was) =>
          editSet('scene', { session: session.id }, scene.id, { field: 'name', value, was }),
      },
      { what: 'studio', label: 'Studio', value: studio.name, edit: editStudioName },
    ];
  });

  protected setNumber(field: 'sampleRateHz' | 'wordLengthBits' | 'bufferSamples', value: string): void {
    this.set(field, Number(value), value);
  }

  protected setHeadroom(text: string): void {
    const value = typedNumber(text);
    if (value !== undefined && value >= 0 && value <= 40)
      this.set('headroomDb', value, `${String(value)} dB`);
    else {
      const told = `“${text}” is not room over peaks. Type dB, from 0 to 40.`;
      this.changes.complain(told);
    }
  }

  protected rename({ what, value: was, edit }: NameField, typed: string): void {
    const value = typed.trim();
    if (value === '' || value === was) return;
    const edits = [edit(value, was)];
    this.changes.make(`Rename ${what} to ${value}`, edits);
  }

  protected setLineUp(side: 'dbfs' | 'dbu', text: string): void {
    const lineUp = this.found()?.session.lineUp;
    const value = typedNumber(text);
    if (lineUp === undefined) return;
    if (value === undefined) {
      const trouble = `“${text}” is not a level. Type a number, such as ${side === 'dbu' ? '4' : '-18'}.`;
      this.changes.complain(trouble);
    } else this.set('lineUp', { ...lineUp, [side]: value }, `line-up ${text}`);
  }

  private set(
    field: 'lineUp' | 'sampleRateHz' | 'wordLengthBits' | 'bufferSamples' | 'headroomDb',
    value: unknown,
    shown: string,
  ): void {
    const session = this.found()?.session;
    if (session === undefined || session[field] === value) return;
    const edit = editSet('session', {}, session.id, fieldRead('session', field, value, session[field]));
    this.changes.make(`Session: ${shown}`, [edit]);
  }
}
