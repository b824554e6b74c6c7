import type { Path, Problem } from './problem';
import type { Session } from './sessionSchema';

/** What does not hold between the sums of a session, its tracks and its scenes. */
export function sumProblems({ sums, tracks, scenes }: Session, path: Path): readonly Problem[] {
  const known = new Set<string>([...tracks, ...scenes].map(({ id }) => id));
  return sums.flatMap((sum, i): readonly Problem[] => {
    const here = [...path, 'sums', i];
    const dangling = (kind: 'track' | 'scene', id: string, ...at: Path): readonly Problem[] =>
      known.has(id) ? [] : [{ code: 'dangling', path: [...here, ...at], kind, id }];
    return [
      ...sum.stems.flatMap(({ track }, k) => dangling('track', track, 'stems', k, 'track')),
      ...sum.scenes.flatMap((scene, k) => dangling('scene', scene, 'scenes', k)),
      ...(sum.print === undefined ? [] : dangling('track', sum.print, 'print')),
    ];
  });
}
