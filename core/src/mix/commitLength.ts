import type { Job } from '../session/jobSchema';
import type { Session } from '../session/sessionSchema';

/** How long a job takes in real time: its own length, else that of the song or reel; undefined where neither is known. */
export const lengthOf = ({ mix }: Pick<Session, 'mix'>, job: Pick<Job, 'lengthS'>): number | undefined =>
  job.lengthS ?? mix?.lengthS;

/** How long jobs take one after the other; undefined where the length of one is not known. */
export function commitSeconds(
  session: Pick<Session, 'mix'>,
  jobs: readonly Pick<Job, 'lengthS'>[],
): number | undefined {
  const lengths = jobs.map((job) => lengthOf(session, job));
  return lengths.every((each) => each !== undefined)
    ? lengths.reduce((sum, each) => sum + each, 0)
    : undefined;
}
