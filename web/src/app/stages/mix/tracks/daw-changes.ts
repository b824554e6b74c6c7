import { editAdd, editSet, fieldRead } from '@ft/core/edits/make';
import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { movedSlotEdits, movedTrackEdits } from '@ft/core/actions/mix/movedTrack';
import type { Edit } from '@ft/core/edits/make';
import type { BusId } from '@ft/core/rig/ids';
import { idFromName } from '@ft/core/rig/ids';
import type { Bus, Track } from '@ft/core/session/daw/trackSchema';
import type { TrackTemplate } from '@ft/core/session/daw/trackTemplate';
import type { Session } from '@ft/core/session/sessionSchema';
import { studioFeature } from '../../../state/studio.feature';
import { Changes } from '../../../state/changes';

const FLAG_WORDS = { muted: 'mute', recordArm: 'record arm', inputMonitor: 'input monitoring' } as const;
const SESSION_WORDS = { host: 'host', hostProfile: 'kind of host', panLawDb: 'pan law' } as const;

/** Turns what a person does on the track sheet into changes. */
@Injectable({ providedIn: 'root' })
export class DawChanges {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);

  flag(track: Track, field: 'muted' | 'recordArm' | 'inputMonitor', value: boolean): void {
    const session = this.session()?.id;
    if (session === undefined) return;
    const edit = editSet('track', { session }, track.id, { field, value, was: this.asItIs(track)[field] });
    this.change(`${track.name}: ${FLAG_WORDS[field]}`, [edit]);
  }

  async template(template: TrackTemplate): Promise<void> {
    const what = template.count === 1 ? 'a track' : `${String(template.count)} tracks`;
    await this.changes.work(`Add ${what}`, (api) => api.templateTracks(template));
  }

  /** Puts a track further down, or up where `by` is negative. */
  move(track: Track, by: number): void {
    const session = this.session();
    if (session === undefined) return;
    const edits = movedTrackEdits(session, track.id, by);
    if (edits.length > 0) this.change(`${track.name} put ${by > 0 ? 'further down' : 'further up'}`, edits);
  }

  moveSlot(track: Track, from: number, to: number): void {
    const session = this.session();
    if (session === undefined) return;
    this.change(`${track.name}: order of inserts`, movedSlotEdits(session, this.asItIs(track), from, to));
  }

  async removeTrack(track: Track): Promise<void> {
    await this.changes.work(`Remove track ${track.name}`, (api) => api.removeTrack(this.asItIs(track)));
  }

  addBus({ name, width }: Pick<Bus, 'name' | 'width'>): void {
    const session = this.session();
    if (session === undefined) return;
    const id = idFromName(name, new Set(session.buses.map((bus) => bus.id)), 'bus') as BusId;
    this.change(`Add bus ${name}`, [editAdd('bus', { session: session.id }, { id, name, width })]);
  }

  async removeBus(bus: Bus): Promise<void> {
    await this.changes.work(`Remove bus ${bus.name}`, (api) => api.removeBus(bus));
  }

  /** Changes a field of the session: its host, the kind of host, the pan law. */
  set(field: 'host' | 'hostProfile' | 'panLawDb', value: unknown): void {
    const session = this.session();
    if (session === undefined) return;
    const change = fieldRead('session', field, value, session[field]);
    this.change(`DAW: ${SESSION_WORDS[field]}`, [editSet('session', {}, session.id, change)]);
  }

  change(label: string, edits: readonly Edit[]): void {
    this.changes.make(label, edits);
  }

  /** The sheet is a plan behind when somebody is quick; a change is made to the track as it is now. */
  private asItIs(track: Track): Track {
    return this.session()?.tracks.find(({ id }) => id === track.id) ?? track;
  }

  private session(): Session | undefined {
    return this.found()?.session;
  }
}
