import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Observable } from 'rxjs';
import { map } from 'rxjs';
import type { Pointing } from '@ft/contract/events';
import { entrySchema, historySchema, undoStateSchema } from '@ft/contract/history';
import type { EntryMessage, HistoryPage, UndoState } from '@ft/contract/history';
import { logAnswerSchema, logPageSchema } from '@ft/contract/takeLog';
import type { LogAnswer, LogPage } from '@ft/contract/takeLog';
import type { LogOp } from '@ft/core/takes/logRows';
import { studioAtSchema } from '@ft/contract/studioAt';
import type { StudioAt } from '@ft/contract/studioAt';
import type { Change } from '@ft/core/edits/change';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { newId } from './new-id';

/** Which studio is meant: its id, and which one of that id. */
export interface StudioRef {
  readonly id: string;
  readonly incarnation: string;
}

/**
 * What is asked of one studio. Apart from `Api`, so that the first screen loads none of the schemas a whole
 * studio is checked with.
 */
@Injectable({ providedIn: 'root' })
export class StudioApi {
  private readonly http = inject(HttpClient);

  studio(id: string): Observable<StudioAt> {
    return this.http.get(`/api/studios/${id}`).pipe(map((body) => studioAtSchema.parse(body)));
  }

  change({ id, incarnation }: StudioRef, author: string, change: Change): Observable<EntryMessage> {
    return this.http
      .post(`/api/studios/${id}/changes`, { author, incarnation, change })
      .pipe(map((body) => entrySchema.parse(body)));
  }

  undo({ id, incarnation }: StudioRef, author: string, revision?: number): Observable<EntryMessage> {
    const body = { author, incarnation, change: newId(), ...(revision !== undefined && { revision }) };
    return this.http.post(`/api/studios/${id}/undo`, body).pipe(map((answer) => entrySchema.parse(answer)));
  }

  redo({ id, incarnation }: StudioRef, author: string): Observable<EntryMessage> {
    const body = { author, incarnation, change: newId() };
    return this.http.post(`/api/studios/${id}/redo`, body).pipe(map((answer) => entrySchema.parse(answer)));
  }

  /** Tells when a session is opened: the first screen says which was last. */
  tellOpened(studioId: string, session: string): Observable<unknown> {
    return this.http.put(`/api/studios/${studioId}/sessions/${session}/opened`, {});
  }

  /** Tells the other windows of a studio what is selected here. */
  point(studioId: string, pointing: Pointing): Observable<unknown> {
    return this.http.put(`/api/studios/${studioId}/pointing`, pointing);
  }

  /** Rows of a take log that were written after a place in their order. */
  log(id: string, session: string, since: number): Observable<LogPage> {
    return this.http
      .get(`/api/studios/${id}/sessions/${session}/log`, { params: { since } })
      .pipe(map((body) => logPageSchema.parse(body)));
  }

  writeLog(id: string, session: string, author: string, ops: readonly LogOp[]): Observable<LogAnswer> {
    return this.http
      .post(`/api/studios/${id}/sessions/${session}/log`, { author, ops })
      .pipe(map((body) => logAnswerSchema.parse(body)));
  }

  undoState(id: string, author: string): Observable<UndoState> {
    return this.http
      .get(`/api/studios/${id}/undo-state`, { params: { author } })
      .pipe(map((body) => undoStateSchema.parse(body)));
  }

  /** A page of the history before a revision, newest first. */
  history(id: string, author: string, before?: number): Observable<HistoryPage> {
    const params = { author, ...(before !== undefined && { before }) };
    return this.http
      .get(`/api/studios/${id}/history`, { params })
      .pipe(map((body) => historySchema.parse(body)));
  }
}

/** Where a browser downloads a sheet from. */
export const sheetAddress = (studioId: string, place: ScenePlace, sheet: string): string =>
  `/api/studios/${studioId}/sessions/${place.session}/scenes/${place.scene}/${sheet}`;
