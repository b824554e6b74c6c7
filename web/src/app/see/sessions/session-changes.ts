import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { MadeSession } from '@ft/core/actions/sessions/sessionEdits';
import {
  copiedSession,
  newSession,
  removalWarning,
  sessionRemoved,
  templateOf,
} from '@ft/core/actions/sessions/sessionEdits';
import { namesTaken } from '@ft/core/actions/sessions/sessionName';
import type { SessionPart } from '@ft/core/actions/sessions/sessionParts';
import { writeBundle } from '@ft/core/formats/bundle';
import { BARE_FLOOR } from '@ft/core/session/floorSchema';
import { firstScene } from '@ft/core/session/scenePlace';
import type { Session } from '@ft/core/session/sessionSchema';
import { sessionsInOrder } from '@ft/core/session/sessionsInOrder';
import type { CellReading } from '@ft/core/text/cellReading';
import { freeName } from '@ft/core/text/freeName';
import { Here } from '../../shell/here';
import { Changes } from '../../state/changes';
import { studioFeature } from '../../state/studio.feature';
import { saveText } from '../../ui/save-text';

/** Turns what a person does with sessions and templates into changes. */
@Injectable({ providedIn: 'root' })
export class SessionChanges {
  private readonly changes = inject(Changes);
  private readonly here = inject(Here);
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly asked = signal<Session | undefined>(undefined);

  /** The session about to be removed though it is on the floor, and what is to be known first. */
  readonly question = computed(() => {
    const [studio, asked] = [this.studio(), this.asked()];
    const session = studio?.sessions.find(({ id }) => id === asked?.id);
    const warning = studio && session && removalWarning(studio, session);
    return session === undefined || warning === undefined ? undefined : { session, warning };
  });

  /** A new session, opened at once. @param from what it starts from; without it, empty. */
  begin(name: string, from?: Session): void {
    const studio = this.studio();
    if (studio === null) return;
    const like = this.found()?.session ?? sessionsInOrder(studio)[0];
    this.open(this.make(newSession(studio, name, { from, like })));
  }

  /** A session from a template, under the next free name. */
  beginFrom(template: Session): void {
    const studio = this.studio();
    if (studio !== null) this.begin(freeName(template.name, namesTaken(studio, 'session'), true), template);
  }

  copy(session: Session): void {
    const studio = this.studio();
    if (studio === null) return;
    const kind = session.template === true ? 'template' : 'session';
    this.make(copiedSession(studio, session, freeName(session.name, namesTaken(studio, kind))));
  }

  makeTemplate(session: Session, name: string, keeps: ReadonlySet<SessionPart>): void {
    const studio = this.studio();
    if (studio !== null) this.make(templateOf(studio, session, name, keeps));
  }

  /** Removes a session; asks first where it is on the floor. */
  remove(session: Session): void {
    const studio = this.studio();
    if (studio !== null && removalWarning(studio, session) !== undefined) this.asked.set(session);
    else this.removeNow(session);
  }

  removeNow(session: Session): void {
    this.asked.set(undefined);
    const studio = this.studio();
    const edits = studio && sessionRemoved(studio, session);
    if (edits?.ok !== true) {
      if (edits !== null) this.changes.complain(edits.sentence);
      return;
    }
    this.leave(session);
    this.changes.make(
      `Remove ${session.template === true ? 'template' : 'session'} ${session.name}`,
      edits.value,
    );
    this.changes.say(`${session.name} is removed. Undo brings it back.`);
  }

  keep(): void {
    this.asked.set(undefined);
  }

  /** A bundle of the rig and this session alone: somebody with another rig can take it over. */
  save(session: Session): void {
    const studio = this.studio();
    if (studio === null) return;
    const alone = { ...studio, floor: BARE_FLOOR, sessions: [session] };
    saveText(`${session.id}.thread.json`, writeBundle(alone), 'application/json');
  }

  /** Goes to a session at the scene where it opens. */
  enter(session: Session): void {
    const place = firstScene(session);
    if (place !== undefined) this.here.goToScene(place.session, place.scene);
  }

  /** Makes what was worked out, or says why it cannot be. */
  make<M extends MadeSession>(made: CellReading<M>): M | undefined {
    if (!made.ok) {
      this.changes.complain(made.sentence);
      return undefined;
    }
    this.changes.make(made.value.label, made.value.edits);
    return made.value;
  }

  open(made: MadeSession | undefined): void {
    if (made !== undefined) this.here.goToScene(made.place.session, made.place.scene, 'track/inputs');
  }

  /** Whoever stands in a session that goes is led to another one first. */
  private leave(session: Session): void {
    const studio = this.studio();
    if (studio === null || this.found()?.session.id !== session.id) return;
    const other = sessionsInOrder(studio).find(({ id }) => id !== session.id);
    if (other !== undefined) this.enter(other);
  }
}
