import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { Observable } from 'rxjs';
import { defer, from, map, of, switchMap, throwError } from 'rxjs';
import type { HttpEvent } from '@angular/common/http';
import { HttpErrorResponse, HttpHeaders, HttpResponse } from '@angular/common/http';
import type { Pointing } from '@ft/contract/events';
import type { EntryMessage, HistoryPage, UndoState } from '@ft/contract/history';
import type { StudioAt } from '@ft/contract/studioAt';
import type { StudioFindings, StudioSummary } from '@ft/contract/studios';
import { entrySchema } from '@ft/contract/history';
import type { JobState } from '@ft/contract/jobs';
import type { Me } from '@ft/contract/sharing';
import type { BackupContent, Backups, Status } from '@ft/contract/status';
import type { Change } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { firstScene } from '@ft/core/session/scenePlace';
import type { LogOp } from '@ft/core/takes/logRows';
import type { LogAnswer, LogPage, StoredRow } from '@ft/contract/takeLog';
import type { Studio } from '@ft/core/session/studioSchema';
import { answerFailure } from '../../server/src/history/answerFailure';
import { entryJson } from '../../server/src/history/storedEntry';
import { studioOf } from '../../server/src/studios/documents';
import type { Answer } from '../../server/src/studios/keeping';
import { StudioKeeper } from '../../server/src/studios/studioKeeper';
import type { Api } from '../src/app/state/api.service';
import type { StudioApi, StudioRef } from '../src/app/state/studio-api.service';
import { writtenLog } from './memory-log';
import { MemoryStudios } from './memory-studios';

const refuse = (status: number, code: string, message: string): Observable<never> =>
  throwError(() => new HttpErrorResponse({ status, error: { code, message } }));

/** The part of the contract that the pages use; what the interface lacks a test cannot reach. */
type Used = Pick<
  Api,
  'studios' | 'findings' | 'me' | 'status' | 'backups' | 'makeBackup' | 'bringBack' | 'file' | 'job'
> &
  Pick<
    StudioApi,
    | 'studio'
    | 'change'
    | 'undo'
    | 'redo'
    | 'undoState'
    | 'point'
    | 'history'
    | 'tellOpened'
    | 'log'
    | 'writeLog'
  >;

/** The server inside the test: its own code over a studio in memory, without HTTP. It can be taken away. */
export class MemoryApi implements Used {
  reachable = true;
  /** What it answers a change with instead of taking it: the disk is full, say. */
  failing: { status: number; code: string; message: string } | undefined;
  opened = 0;
  readonly openedSessions: string[] = [];
  /** What windows that share their selection said. */
  readonly pointings: Pointing[] = [];
  private readonly memory = new MemoryStudios(saltglassRooms());
  private readonly keeper = new StudioKeeper({
    store: this.memory.store,
    history: this.memory.history,
    pool: { run: () => Promise.reject(new Error('nothing in these tests is large enough for a thread')) },
    now: () => '2026-03-01T10:00:00Z',
    onListenerError: () => undefined,
  });

  get incarnation(): string {
    return this.memory.incarnation;
  }

  set incarnation(which: string) {
    this.memory.incarnation = which;
  }

  get studioNow(): Studio {
    return studioOf(this.memory.stored().documents);
  }

  set studioNow(studio: Studio) {
    this.memory.put(studio);
  }

  /** The history so far, edits as data. */
  get entries(): readonly (Omit<EntryMessage, 'edits'> & { readonly edits: readonly EditJson[] })[] {
    return this.memory.lines.map((line) => entrySchema.parse(JSON.parse(entryJson(line))));
  }

  studios(): Observable<readonly StudioSummary[]> {
    const { id, name, sessions } = this.studioNow;
    const listed = sessions.map((session) => ({
      id: session.id,
      name: session.name,
      scene: firstScene(session)?.scene ?? '',
      goesLive: session.goesLive === true,
      archived: session.archived === true,
      template: session.template === true,
      ...(session.date !== undefined && { date: session.date }),
    }));
    return of([
      { id, name, revision: this.memory.lines.length, changedAt: '2026-03-01T10:00:00Z', sessions: listed },
    ]);
  }

  findings(): Observable<StudioFindings> {
    return of({ sessions: [] });
  }

  tellOpened(_id: string, session: string): Observable<unknown> {
    this.openedSessions.push(session);
    return of(null);
  }

  summary(id: string): Observable<StudioSummary> {
    return this.studios().pipe(map((all) => all.find((studio) => studio.id === id)!));
  }

  begin(_name: string, _room?: unknown, _job?: string): Observable<string> {
    return of(this.studioNow.id);
  }

  me(): Observable<Me['tablet']> {
    return of(null);
  }

  studio(): Observable<StudioAt> {
    this.opened++;
    const { revision, incarnation } = this.memory.stored();
    return of({ revision, incarnation, studio: this.studioNow });
  }

  change({ id, incarnation }: StudioRef, author: string, change: Change): Observable<EntryMessage> {
    return defer(() => {
      if (!this.reachable) return throwError(() => new HttpErrorResponse({ status: 0 }));
      if (this.failing !== undefined)
        return refuse(this.failing.status, this.failing.code, this.failing.message);
      return this.answered(this.keeper.submit(id, change, { author, ticksOnly: false }, incarnation));
    });
  }

  undo({ id, incarnation }: StudioRef, author: string, revision?: number): Observable<EntryMessage> {
    const about = { incarnation, ...(revision !== undefined && { revision }) };
    return this.answered(this.keeper.undo(id, { author, ticksOnly: false }, this.changeId(), about));
  }

  redo({ id, incarnation }: StudioRef, author: string): Observable<EntryMessage> {
    return this.answered(this.keeper.redo(id, { author, ticksOnly: false }, this.changeId(), incarnation));
  }

  point(_id: string, pointing: Pointing): Observable<unknown> {
    this.pointings.push(pointing);
    return of(null);
  }

  /** The take log, as the server keeps it: rows in the order they were written last. */
  logRows: StoredRow[] = [];

  log(_id: string, _session: string, since: number): Observable<LogPage> {
    return defer(() =>
      this.reachable
        ? of({ rows: this.logRows.filter(({ seq }) => seq > since), more: false })
        : throwError(() => new HttpErrorResponse({ status: 0 })),
    );
  }

  writeLog(_id: string, _session: string, _author: string, ops: readonly LogOp[]): Observable<LogAnswer> {
    return defer(() => {
      if (!this.reachable) return throwError(() => new HttpErrorResponse({ status: 0 }));
      const { rows, answer } = writtenLog(this.logRows, ops);
      this.logRows = rows;
      return of(answer);
    });
  }

  undoState(_id: string, author: string): Observable<UndoState> {
    return of(this.memory.undoState(author));
  }

  history(_id: string, author: string, _before?: number): Observable<HistoryPage> {
    const entries = this.memory.lines.map(({ edits: _e, inverse: _i, author: by, ...line }) => ({
      ...line,
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

  private changeId(): string {
    return `taken-back-${String(this.memory.lines.length)}`;
  }

  private answered(answer: Promise<Answer>): Observable<EntryMessage> {
    return from(answer).pipe(
      switchMap((made): Observable<EntryMessage> => {
        if (made.ok) return of(entrySchema.parse(JSON.parse(entryJson(made.entry, made.undo))));
        const { status, code, message } = answerFailure(made);
        return refuse(status, code, message);
      }),
    );
  }
}
