import { createSelector } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { filter, take } from 'rxjs';
import type { LogState } from './log.feature';
import type { StudioState } from './studio.feature';

/** Where what was done here is: at the server, on its way there, or kept here since something is in the way. */
export type Standing = 'stored' | 'under way' | 'kept';

/** By name, and there or not: the first screen has neither, and does not load them to make a file. */
interface Open {
  readonly studio?: StudioState;
  readonly log?: LogState;
}

const selectStudio = ({ studio }: Open): StudioState | undefined => studio;
const selectLog = ({ log }: Open): LogState | undefined => log;

function standingOf(studio: StudioState | undefined, pending: number): Standing {
  if (pending === 0) return 'stored';
  return studio?.live === true && studio.keptBecause === null ? 'under way' : 'kept';
}

/** Of the changes of the studio. */
export const selectChangesStanding = createSelector(selectStudio, (studio) =>
  standingOf(studio, studio?.replica?.pending.length ?? 0),
);

/** Of the changes of the studio and of the take log. */
export const selectStanding = createSelector(selectStudio, selectLog, (studio, log) =>
  standingOf(studio, (studio?.replica?.pending.length ?? 0) + (log?.pending.length ?? 0)),
);

/** Says once where it stands when it is no longer on its way; at once where it is not. */
export const arrived = (standing: Observable<Standing>): Observable<Standing> =>
  standing.pipe(
    filter((each) => each !== 'under way'),
    take(1),
  );
