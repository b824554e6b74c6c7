import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { Observable } from 'rxjs';
import { defer, of, throwError } from 'rxjs';
import { HttpErrorResponse } from '@angular/common/http';
import type { EntryMessage, HistoryLine, StudioAt, StudioSummary, UndoState } from '@ft/contract/api';
import type { Me } from '@ft/contract/sharing';
import type { Change } from '@ft/core/edits/change';
import type { Entry } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import { refusalSentence } from '@ft/core/edits/refusalWording';
import { undoTargets } from '@ft/core/edits/undoStack';
import type { Studio } from '@ft/core/session/studioSchema';

const refuse = (status: number, code: string, message: string): Observable<never> =>
  throwError(() => new HttpErrorResponse({ status, error: { code, message } }));

const message = ({ edits, ...entry }: Entry): EntryMessage => ({ ...entry, edits: [...edits] });

/** The server inside the test: the same core, kept in memory. It can be taken away. */
export class FakeApi {
  studioNow: Studio = saltglassRooms();
  readonly entries: Entry[] = [];
  reachable = true;
  opened = 0;

  studios(): Observable<readonly StudioSummary[]> {
    const { id, name, sessions } = this.studioNow;
    return of([{ id, name, revision: this.entries.length, changedAt: '2026-03-01T10:00:00Z', sessions }]);
  }

  me(): Observable<Me['device']> {
    return of(null);
  }

  studio(): Observable<StudioAt> {
    this.opened++;
    return of({ revision: this.entries.length, studio: this.studioNow });
  }

  change(_id: string, author: string, change: Change): Observable<EntryMessage> {
    return defer(() => {
      if (!this.reachable) return throwError(() => new HttpErrorResponse({ status: 0 }));
      const known = this.entries.find((entry) => entry.change === change.id);
      return known === undefined ? this.take(change, author) : of(message(known));
    });
  }

  undo(_id: string, author: string): Observable<EntryMessage> {
    const target = undoTargets(this.entries, author).undo;
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
    const { undo } = undoTargets(this.entries, author);
    const entry = this.entries.find(({ revision }) => revision === undo);
    return of(entry === undefined ? {} : { undo: { revision: entry.revision, label: entry.label } });
  }

  history(): Observable<readonly HistoryLine[]> {
    return of(this.entries.map(({ edits, ...entry }) => ({ ...entry, editCount: edits.length })).reverse());
  }

  private take(change: Change, author: string, undoes?: number): Observable<EntryMessage> {
    const making = { author, at: '2026-03-01T10:00:00Z', ...(undoes !== undefined && { undoes }) };
    const result = accept(this.studioNow, this.entries.length, change, making);
    if (!result.ok) return refuse(409, result.refusal.code, refusalSentence(result.refusal));
    this.studioNow = result.studio;
    this.entries.push(result.entry);
    return of(message(result.entry));
  }
}
