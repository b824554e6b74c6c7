import type { Path, Problem } from './problem';
import type { Session } from './sessionSchema';

/** What does not hold between the jobs of a session, its tracks, their slots, and the lines that do them. */
export function jobProblems({ jobs, tracks, threads }: Session, path: Path): readonly Problem[] {
  const [known, there] = [new Set(jobs.map(({ id }) => id)), new Set(tracks.map(({ id }) => id))];
  const dangling = (at: Path, id: string | undefined): readonly Problem[] =>
    id === undefined || known.has(id as never) ? [] : [{ code: 'dangling', path: at, kind: 'job', id }];
  return [
    ...jobs.flatMap(({ track }, i): readonly Problem[] =>
      there.has(track)
        ? []
        : [{ code: 'dangling', path: [...path, 'jobs', i, 'track'], kind: 'track', id: track }],
    ),
    ...threads.flatMap(({ job }, i) => dangling([...path, 'threads', i, 'job'], job)),
    ...tracks.flatMap(({ inserts }, i) =>
      inserts.flatMap((slot, k) => dangling([...path, 'tracks', i, 'inserts', k, 'job'], slot?.job)),
    ),
  ];
}
