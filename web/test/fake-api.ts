import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { Observable } from 'rxjs';
import { defer, of, throwError } from 'rxjs';
import type { HttpEvent } from '@angular/common/http';
import { HttpErrorResponse, HttpHeaders, HttpResponse } from '@angular/common/http';
import type { EntryMessage, HistoryPage, StudioAt, StudioSummary, UndoState } from '@ft/contract/api';
import type { JobState } from '@ft/contract/jobs';
import type { Me } from '@ft/contract/sharing';
import type { Change } from '@ft/core/edits/change';
import type { Entry } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import { refusalSentence } from '@ft/core/words/refusalWording';
import { undoStacks } from '@ft/core/edits/undoStack';
import type { BackupContent, Backups, Status } from '@ft/contract/status';
import type { StudioRef } from '../src/app/state/api.service';
import type { Studio } from '@ft/core/session/studioSchema';

const refuse = (status: number, code: string, message: string): Observable<never> =>
  throwError(() => new HttpErrorResponse({ status, error: { code, message } }));

const message = ({ edits, inverse: _inverse, ...entry }: Entry): EntryMessage => ({
  ...entry,
  edits: [...edits],
});

/** The server inside the test: the same core, kept in memory. It can be taken away. */
export class FakeApi {
  studioNow: Studio = saltglassRooms();
  readonly entries: Entry[] = [];
  reachable = true;
  /** What it answers a change with instead of taking it: the disk is full, say. */
  failing: { status: number; code: string; message: string } | undefined;
  incarnation = 'first';
  opened = 0;

  studios(): Observable<readonly StudioSummary[]> {
    const { id, name, sessions } = this.studioNow;
    return of([{ id, name, revision: this.entries.length, changedAt: '2026-03-01T10:00:00Z', sessions }]);
  }

  me(): Observable<Me['tablet']> {
    return of(null);
  }

  studio(): Observable<StudioAt> {
    this.opened++;
    return of({ revision: this.entries.length, incarnation: this.incarnation, studio: this.studioNow });
  }

  change(ref: StudioRef, author: string, change: Change): Observable<EntryMessage> {
    return defer(() => {
      if (!this.reachable) return throwError(() => new HttpErrorResponse({ status: 0 }));
      if (this.failing !== undefined)
        return refuse(this.failing.status, this.failing.code, this.failing.message);
      if (ref.incarnation !== this.incarnation) return refuse(409, 'replaced', 'Brought in again.');
      const known = this.entries.find((entry) => entry.change === change.id);
      return known === undefined ? this.take(change, author) : of(message(known));
    });
  }

  undo(_ref: StudioRef, author: string): Observable<EntryMessage> {
    const target = undoStacks(this.entries, author).done.at(-1);
    const entry = this.entries.find(({ revision }) => revision === target);
    if (entry === undefined) return refuse(409, 'nothing-to-undo', 'There is nothing of yours to undo.');
    const change = {
      id: `undo-${String(this.entries.length)}-x`,
      label: `Undo: ${entry.label}`,
      edits: [...entry.inverse],
    };
    return this.take(change, author, entry.revision);
  }

  redo(): Observable<EntryMessage> {
    return refuse(409, 'nothing-to-redo', 'There is nothing to redo.');
  }

  undoState(_id: string, author: string): Observable<UndoState> {
    return of(this.undoOf(author));
  }

  history(_id: string, author: string, _before?: number): Observable<HistoryPage> {
    const entries = this.entries.map(({ edits, inverse: _inverse, author: by, ...entry }) => ({
      ...entry,
      editCount: edits.length,
      mine: by === author,
    }));
    return of({ entries: entries.reverse(), more: false });
  }

  status(): Observable<Status> {
    return of({
      ...{ version: '0.1.0', startedAt: '2026-03-01T09:00:00Z', folder: '/data', freeBytes: 80e9 },
      ...{ dataBytes: 2e6, studios: 1, lastBackup: null, backupTrouble: null, tablets: [], windows: 1 },
      setAside: null,
    });
  }

  backups(): Observable<Backups> {
    return of({ backups: [], trouble: null });
  }

  makeBackup(): Observable<Backups> {
    return this.backups();
  }

  bringBack(_backup: string, studioId: string): Observable<string> {
    return of(studioId);
  }

  dismissSetAside(): Observable<unknown> {
    return of(null);
  }

  importArchive(_file: Blob, _job?: string): Observable<unknown> {
    return of({ ids: [] });
  }

  backupContent(): Observable<BackupContent> {
    return of({ studios: [] });
  }

  file(_address: string, _job: string): Observable<HttpEvent<Blob>> {
    return of(
      new HttpResponse({
        body: new Blob(['a file']),
        headers: new HttpHeaders({ 'content-disposition': 'attachment; filename="sheet.pdf"' }),
      }),
    );
  }

  job(): Observable<JobState> {
    return of({ state: 'none' });
  }

  private undoOf(author: string): UndoState {
    const undo = undoStacks(this.entries, author).done.at(-1);
    const entry = this.entries.find(({ revision }) => revision === undo);
    return entry === undefined ? {} : { undo: { revision: entry.revision, label: entry.label } };
  }

  private take(change: Change, author: string, undoes?: number): Observable<EntryMessage> {
    const making = { author, at: '2026-03-01T10:00:00Z', ...(undoes !== undefined && { undoes }) };
    const result = accept(this.studioNow, this.entries.length, change, making);
    if (!result.ok) return refuse(409, result.refusal.code, refusalSentence(result.refusal));
    this.studioNow = result.studio;
    this.entries.push(result.entry);
    return of({ ...message(result.entry), undo: this.undoOf(author) });
  }
}
