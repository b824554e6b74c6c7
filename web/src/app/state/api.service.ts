import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Observable } from 'rxjs';
import { map } from 'rxjs';
import {
  entrySchema,
  errorSchema,
  historySchema,
  studioAtSchema,
  studioListSchema,
  undoStateSchema,
} from '@ft/contract/api';
import type {
  ApiError,
  EntryMessage,
  HistoryLine,
  StudioAt,
  StudioSummary,
  UndoState,
} from '@ft/contract/api';
import type { DeviceRole, Me, SharingState } from '@ft/contract/sharing';
import { meSchema, sharingSchema } from '@ft/contract/sharing';
import type { Change } from '@ft/core/edits/change';
import { newId } from './new-id';
import type { ScenePlace } from '@ft/core/plan/scenePlace';

/** What the server said no with, or that it could not be reached. */
export function apiErrorOf(error: unknown): ApiError & { readonly reached: boolean } {
  if (error instanceof HttpErrorResponse && error.status > 0) {
    const parsed = errorSchema.safeParse(error.error);
    if (parsed.success) return { ...parsed.data, reached: true };
    return {
      code: 'unknown',
      message: `The program answered ${String(error.status)}. Try again.`,
      reached: true,
    };
  }
  return {
    code: 'unreachable',
    message: 'The program cannot be reached. Check that it is still running; your changes are kept here.',
    reached: false,
  };
}

/** The HTTP contract, each answer checked against it. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  studios(): Observable<readonly StudioSummary[]> {
    return this.http.get('/api/studios').pipe(map((body) => studioListSchema.parse(body).studios));
  }

  begin(name: string): Observable<string> {
    return this.http.post<{ id: string }>('/api/studios', { name }).pipe(map(({ id }) => id));
  }

  openDemo(): Observable<string> {
    return this.http.post<{ id: string }>('/api/studios/demo', {}).pipe(map(({ id }) => id));
  }

  importBundle(text: string): Observable<string> {
    const headers = { 'Content-Type': 'application/json' };
    return this.http.post<{ id: string }>('/api/bundles', text, { headers }).pipe(map(({ id }) => id));
  }

  removeStudio(id: string): Observable<unknown> {
    return this.http.delete(`/api/studios/${id}`);
  }

  studio(id: string): Observable<StudioAt> {
    return this.http.get(`/api/studios/${id}`).pipe(map((body) => studioAtSchema.parse(body)));
  }

  change(id: string, author: string, change: Change): Observable<EntryMessage> {
    return this.http
      .post(`/api/studios/${id}/changes`, { author, change })
      .pipe(map((body) => entrySchema.parse(body)));
  }

  undo(id: string, author: string, revision?: number): Observable<EntryMessage> {
    const body = { author, change: newId(), ...(revision !== undefined && { revision }) };
    return this.http.post(`/api/studios/${id}/undo`, body).pipe(map((answer) => entrySchema.parse(answer)));
  }

  redo(id: string, author: string): Observable<EntryMessage> {
    const body = { author, change: newId() };
    return this.http.post(`/api/studios/${id}/redo`, body).pipe(map((answer) => entrySchema.parse(answer)));
  }

  undoState(id: string, author: string): Observable<UndoState> {
    return this.http
      .get(`/api/studios/${id}/undo-state`, { params: { author } })
      .pipe(map((body) => undoStateSchema.parse(body)));
  }

  /** Which device this is; null on the computer the program runs on. */
  me(): Observable<Me['device']> {
    return this.http.get('/api/me').pipe(map((body) => meSchema.parse(body).device));
  }

  pair(code: string, name: string): Observable<unknown> {
    return this.http.post('/api/pair', { code, name });
  }

  sharing(): Observable<SharingState> {
    return this.http.get('/api/sharing').pipe(map((body) => sharingSchema.parse(body)));
  }

  setSharing(isOpen: boolean): Observable<SharingState> {
    return this.http.put('/api/sharing', { isOpen }).pipe(map((body) => sharingSchema.parse(body)));
  }

  offerPairing(role: DeviceRole): Observable<SharingState> {
    return this.http.post('/api/sharing/offers', { role }).pipe(map((body) => sharingSchema.parse(body)));
  }

  setDeviceRole(id: string, role: DeviceRole): Observable<SharingState> {
    return this.http
      .patch(`/api/sharing/devices/${id}`, { role })
      .pipe(map((body) => sharingSchema.parse(body)));
  }

  revokeDevice(id: string): Observable<SharingState> {
    return this.http.delete(`/api/sharing/devices/${id}`).pipe(map((body) => sharingSchema.parse(body)));
  }

  history(id: string): Observable<readonly HistoryLine[]> {
    return this.http.get(`/api/studios/${id}/history`).pipe(map((body) => historySchema.parse(body).entries));
  }
}

/** Where a browser downloads a sheet from. */
export const sheetAddress = (studioId: string, place: ScenePlace, sheet: string): string =>
  `/api/studios/${studioId}/sessions/${place.session}/scenes/${place.scene}/${sheet}`;
