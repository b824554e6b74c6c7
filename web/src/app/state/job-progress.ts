import type { Observable } from 'rxjs';
import { catchError, EMPTY, exhaustMap, filter, map, timer } from 'rxjs';
import type { JobState } from '@ft/contract/jobs';
import type { Api } from './api.service';

/** Work that is done sooner says nothing of itself, ms. */
const QUIET_MS = 300;
const ASK_EVERY_MS = 500;

/** How far a job of the server is, in words, asked now and then. One that is not under way says nothing. */
export const jobProgress = (api: Api, job: string): Observable<string> =>
  timer(QUIET_MS, ASK_EVERY_MS).pipe(
    exhaustMap(() => api.job(job).pipe(catchError(() => EMPTY))),
    map(jobText),
    filter((text) => text !== ''),
  );

/** A job's state in words. */
export function jobText(state: JobState): string {
  if (state.state === 'none') return '';
  return state.state === 'waiting'
    ? 'Waiting for its turn …'
    : `${state.step} … (${String(state.at)} of ${String(state.of)})`;
}
