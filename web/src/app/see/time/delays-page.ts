import type { DeviceId, PerformerId, SessionId } from '@ft/core/rig/ids';
import type { Edit, FieldChange } from '@ft/core/edits/make';
import { editAdd, editRemove, editSet, fieldRead } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { formatMs, formatSamples } from '@ft/core/units/format';
import { idFromName } from '@ft/core/rig/ids';
import type { Performer } from '@ft/core/session/performerSchema';
import { USUAL_CUE_LIMIT_MS } from '@ft/core/session/performerSchema';
import { HEARING_TABLES } from '@ft/core/units/hearing';
import { typedNumber } from '@ft/core/text/typedNumber';
import { asked } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** Hardware inserts, performers and loudspeakers: how late each is, and what is allowed. */
@Component({
  selector: 'ft-delays-page',
  imports: [PartPage, AnswerState],
  templateUrl: './delays-page.html',
  styleUrl: '../levels/stacked.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DelaysPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly time = asked((api) => api.time());
  protected readonly session = computed(() => this.found()?.session);
  protected readonly performers = computed(() => this.session()?.performers ?? []);
  protected readonly headphones = computed(
    () => this.studio()?.rig.devices.filter(({ type }) => type === 'headphones') ?? [],
  );
  /** Names of the input list that are no performer yet. */
  protected readonly others = computed(() => {
    const known = new Set(this.performers().map(({ name }) => name));
    const names = (this.session()?.threads ?? []).map(({ performer }) => performer);
    return [...new Set(names)].filter((name) => name !== '' && !known.has(name)).sort();
  });
  protected readonly tables = HEARING_TABLES;
  protected readonly ms = formatMs;
  protected readonly samples = formatSamples;

  protected heard(performer: Performer) {
    return this.time()?.performers.filter((each) => each.performer === performer.id) ?? [];
  }

  protected add(name: string): void {
    if (name === '') return;
    const taken = new Set<string>(this.performers().map(({ id }) => id));
    const id = idFromName(name, taken, 'performer') as PerformerId;
    const item = { id, name, cueLimitMs: USUAL_CUE_LIMIT_MS };
    this.change(`Cues: ${name}`, (session) => editAdd('performer', { session }, item));
  }

  protected remove({ id, name }: Performer): void {
    this.change(`Cues: ${name} taken off`, (session) => editRemove('performer', { session }, id));
  }

  protected wear(performer: Performer, device: string): void {
    const value = device === '' ? null : (device as DeviceId);
    this.set(performer, { field: 'headphones', value, was: performer.headphones ?? null }, 'headphones');
  }

  protected limit(performer: Performer, field: HTMLInputElement): void {
    const value = this.figure(field, 0.1, 500, 'ms');
    if (value !== undefined)
      this.set(
        performer,
        { field: 'cueLimitMs', value, was: performer.cueLimitMs },
        `limit ${String(value)} ms`,
      );
  }

  protected hours(performer: Performer, field: HTMLInputElement): void {
    const was = performer.hoursADay ?? null;
    if (field.value.trim() === '') {
      this.set(performer, { field: 'hoursADay', value: null, was }, 'hours left open');
      return;
    }
    const value = this.figure(field, 0, 24, 'hours');
    if (value !== undefined)
      this.set(performer, { field: 'hoursADay', value, was }, `${String(value)} h a day`);
  }

  protected setTable(value: string): void {
    const session = this.session();
    if (session === undefined || value === session.hearingTable) return;
    const change = fieldRead('session', 'hearingTable', value, session.hearingTable);
    const edit = editSet('session', {}, session.id, change);
    this.changes.make(`Cue levels held against ${value.toUpperCase()}`, [edit]);
  }

  private figure(field: HTMLInputElement, min: number, max: number, unit: string): number | undefined {
    const value = typedNumber(field.value);
    if (value !== undefined && value >= min && value <= max) return value;
    const text = `“${field.value}” does not fit. Type ${unit}, from ${String(min)} to ${String(max)}.`;
    this.changes.complain(text);
    return undefined;
  }

  private set({ id, name }: Performer, change: FieldChange<'performer'>, words: string): void {
    this.change(`Cues: ${name}, ${words}`, (session) => editSet('performer', { session }, id, change));
  }

  private change(label: string, edit: (session: SessionId) => Edit): void {
    const session = this.session()?.id;
    if (session !== undefined) this.changes.make(label, [edit(session)]);
  }
}
