import type { HttpEvent } from '@angular/common/http';
import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Observable } from 'rxjs';
import { map } from 'rxjs';
import { errorSchema, KEEPING_CODES } from '@ft/contract/errors';
import {
  madeSchema,
  studioFindingsSchema,
  studioListSchema,
  studioSummarySchema,
} from '@ft/contract/studios';
import type { ApiError } from '@ft/contract/errors';
import type { StarterRoom, StudioFindings, StudioSummary } from '@ft/contract/studios';
import { JOB_HEADER, jobStateSchema } from '@ft/contract/jobs';
import type { JobState } from '@ft/contract/jobs';
import type { Me, SharingState, TabletRole } from '@ft/contract/sharing';
import { meSchema, sharingSchema } from '@ft/contract/sharing';
import { backupContentSchema, backupsSchema, statusSchema } from '@ft/contract/status';
import type { BackupContent, Backups, Status } from '@ft/contract/status';

/** What the server said no with, or that it could not be reached. */
export interface Failure extends ApiError {
  /** The server refused, in the words of the contract: asking again would change nothing. */
  readonly isRefusal: boolean;
}

function failureOf(error: HttpErrorResponse): Failure {
  const parsed = errorSchema.safeParse(error.error);
  if (!parsed.success)
    return {
      code: 'unknown',
      message: `The program answered ${String(error.status)}, which it should not. What you did is kept here.`,
      isRefusal: false,
    };
  const { status } = error;
  return {
    ...parsed.data,
    isRefusal: status >= 400 && status < 500 && !KEEPING_CODES.has(parsed.data.code),
  };
}

/** An error of a request as the server meant it. Whatever it did not say in its own words is no refusal. */
export function apiErrorOf(error: unknown): Failure {
  if (error instanceof HttpErrorResponse && error.status > 0) return failureOf(error);
  return {
    code: 'unreachable',
    message: 'The program cannot be reached. Check that it is still running; your changes are kept here.',
    isRefusal: false,
  };
}

/** The HTTP contract, each answer checked against it. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  studios(): Observable<readonly StudioSummary[]> {
    return this.http.get('/api/studios').pipe(map((body) => studioListSchema.parse(body).studios));
  }

  summary(id: string): Observable<StudioSummary> {
    return this.http.get(`/api/studios/${id}/summary`).pipe(map((body) => studioSummarySchema.parse(body)));
  }

  /** What is found in the sessions of a studio. They are checked for it, which takes a while. */
  findings(id: string): Observable<StudioFindings> {
    return this.http.get(`/api/studios/${id}/findings`).pipe(map((body) => studioFindingsSchema.parse(body)));
  }

  /** Begins a rig: empty, or as a starter room with a session that runs. */
  begin(name: string, room?: StarterRoom, job?: string): Observable<string> {
    return this.made('/api/studios', { name, ...(room && { room }) }, job);
  }

  openDemo(job?: string): Observable<string> {
    return this.made('/api/studios/demo', {}, job);
  }

  importBundle(text: string, job?: string): Observable<string> {
    return this.made('/api/bundles', text, job);
  }

  importArchive(file: Blob, job?: string): Observable<unknown> {
    return this.http.post('/api/archives', file, { headers: headersOf(job) });
  }

  removeStudio(id: string): Observable<unknown> {
    return this.http.delete(`/api/studios/${id}`);
  }

  /** Which tablet this is; null on the computer the program runs on. */
  me(): Observable<Me['tablet']> {
    return this.http.get('/api/me').pipe(map((body) => meSchema.parse(body).tablet));
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

  offerPairing(role: TabletRole): Observable<SharingState> {
    return this.http.post('/api/sharing/offers', { role }).pipe(map((body) => sharingSchema.parse(body)));
  }

  setTabletRole(id: string, role: TabletRole): Observable<SharingState> {
    return this.http
      .patch(`/api/sharing/tablets/${id}`, { role })
      .pipe(map((body) => sharingSchema.parse(body)));
  }

  revokeTablet(id: string): Observable<SharingState> {
    return this.http.delete(`/api/sharing/tablets/${id}`).pipe(map((body) => sharingSchema.parse(body)));
  }

  status(): Observable<Status> {
    return this.http.get('/api/status').pipe(map((body) => statusSchema.parse(body)));
  }

  backups(): Observable<Backups> {
    return this.http.get('/api/backups').pipe(map((body) => backupsSchema.parse(body)));
  }

  makeBackup(): Observable<Backups> {
    return this.http.post('/api/backups', {}).pipe(map((body) => backupsSchema.parse(body)));
  }

  backupContent(name: string): Observable<BackupContent> {
    return this.http.get(`/api/backups/${name}`).pipe(map((body) => backupContentSchema.parse(body)));
  }

  /** Brings a studio of a backup back, beside what is here. @returns its id. */
  bringBack(backup: string, studioId: string): Observable<string> {
    return this.made(`/api/backups/${backup}/studios/${studioId}`, {});
  }

  dismissSetAside(): Observable<unknown> {
    return this.http.delete('/api/set-aside');
  }

  /** A file the server makes, with how far it has come over. */
  file(address: string, job: string): Observable<HttpEvent<Blob>> {
    return this.http.get(address, {
      headers: headersOf(job),
      responseType: 'blob',
      observe: 'events',
      reportProgress: true,
    });
  }

  job(id: string): Observable<JobState> {
    return this.http.get(`/api/jobs/${id}`).pipe(map((body) => jobStateSchema.parse(body)));
  }

  private made(address: string, body: unknown, job?: string): Observable<string> {
    return this.http
      .post(address, body, { headers: headersOf(job) })
      .pipe(map((answer) => madeSchema.parse(answer).id));
  }
}

const headersOf = (job: string | undefined): Record<string, string> =>
  job === undefined ? {} : { [JOB_HEADER]: job };
