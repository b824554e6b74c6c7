import { editSet, editStudioName, fieldRead } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { Store } from '@ngrx/store';
import { readSessionName } from '@ft/core/actions/sessions/sessionName';
import type { Edit } from '@ft/core/edits/make';
import { referenceDbuOf } from '@ft/core/units/digitalLevel';
import { formatLevel } from '@ft/core/units/format';
import { studioFeature } from '../state/studio.feature';
import { Changes } from '../state/changes';
import { Field } from '../ui/form/field';
import { SchemaForm } from '../ui/form/schema-form';
import type { SessionFacts } from './session-fields';
import { factsOf, sessionFactsSchema, sessionFields } from './session-fields';

/** The facts of the session in the header, and behind them the fields that change them. */
@Component({
  selector: 'ft-session-panel',
  imports: [Field, NgbDropdownModule],
  templateUrl: './session-panel.html',
  styleUrl: './session-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SessionPanel {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
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

  /** Made once a session, so that what is being typed stays while others change it. */
  private readonly sessionId = computed(() => this.found()?.session.id);
  protected readonly form = computed(() => {
    const session = this.sessionId() && untracked(() => this.found()?.session);
    return session && new SchemaForm(sessionFields(session), sessionFactsSchema, untracked(this.stored));
  });
  private readonly stored = computed((): Readonly<Record<string, unknown>> => {
    const [studio, found] = [this.studio(), this.found()];
    if (studio === null || found === undefined) return {};
    const { session, scene } = found;
    return { ...factsOf(session), session: session.name, scene: scene.name, studio: studio.name };
  });

  constructor() {
    effect(() => {
      const [form, stored] = [this.form(), this.stored()];
      for (const { key } of form?.fields ?? [])
        if (form?.control(key)?.dirty === false) form.restart({ [key]: stored[key] });
    });
  }

  /** Takes over a field that was left with something else in it; what does not fit stays, and is told there. */
  protected enter(key: string): void {
    const control = this.form()?.control(key);
    control?.markAsTouched();
    const value = this.form()?.valueAt(key);
    if (control === undefined || (value === undefined && key !== 'date')) return;
    if (key === 'date' && this.form()?.problemAt(key) !== undefined) return;
    // Two sessions of one name cannot be told apart: what was typed stays, and it is said why.
    const taken = key === 'session' ? this.takenName(value as string) : undefined;
    if (taken !== undefined) {
      this.changes.complain(taken);
      return;
    }
    control.markAsPristine();
    const was = this.stored()[key];
    if (value !== was) this.change(key as keyof SessionFacts, value, was);
  }

  private takenName(name: string): string | undefined {
    const [studio, session] = [this.studio(), this.found()?.session];
    if (studio === null || session === undefined) return undefined;
    const kind = session.template === true ? 'template' : 'session';
    const read = readSessionName(studio, kind, name, session.id);
    return read.ok ? undefined : read.sentence;
  }

  private change(key: keyof SessionFacts, value: unknown, was: unknown): void {
    const found = this.found();
    if (found === undefined) return;
    const [name, nameWas] = [String(value), String(was)];
    const { session, scene } = found;
    if (key === 'session') this.rename(key, name, editSet('session', {}, session.id, naming(name, nameWas)));
    else if (key === 'scene')
      this.rename(key, name, editSet('scene', { session: session.id }, scene.id, naming(name, nameWas)));
    else if (key === 'studio') this.rename(key, name, editStudioName(name, nameWas));
    else if (key === 'dbfs' || key === 'dbu')
      this.set('lineUp', { ...session.lineUp, [key]: value }, `line-up ${name}`);
    else this.set(key, value === false ? null : (value ?? null), shownAs(key, value));
  }

  private rename(what: string, name: string, edit: Edit): void {
    this.changes.make(`Rename ${what} to ${name}`, [edit]);
  }

  private set(
    field:
      'lineUp' | 'date' | 'goesLive' | 'sampleRateHz' | 'wordLengthBits' | 'bufferSamples' | 'headroomDb',
    value: unknown,
    shown: string,
  ): void {
    const session = this.found()?.session;
    if (session === undefined) return;
    const edit = editSet('session', {}, session.id, fieldRead('session', field, value, session[field]));
    this.changes.make(`Session: ${shown}`, [edit]);
  }
}

function shownAs(key: keyof SessionFacts, value: unknown): string {
  if (key === 'goesLive') return value === true ? 'goes live' : 'does not go live';
  if (typeof value !== 'string' && typeof value !== 'number') return 'no day';
  const text = String(value);
  if (key === 'date') return `on ${text}`;
  return key === 'headroomDb' ? `${text} dB` : text;
}

const naming = (value: string, was: string) => ({ field: 'name', value, was }) as const;
