import type { Path, Problem } from './problem';
import type { Session } from './sessionSchema';

/** What does not hold among the playback checks of a session, and among the copies of its trainees. */
export function playbackProblems({ playbackChecks, scenes }: Session, path: Path): readonly Problem[] {
  const there = new Set(scenes.map(({ id }) => id));
  return [
    ...playbackChecks.flatMap(({ id, live, playback }, i) => {
      const here = [...path, 'playbackChecks', i];
      const gone = Object.entries({ live, playback }).flatMap(([field, scene]): Problem[] =>
        there.has(scene) ? [] : [{ code: 'dangling', path: [...here, field], kind: 'scene', id: scene }],
      );
      const same: Problem = { code: 'one-scene-twice', path: [...here, 'playback'], id };
      return live === playback ? [...gone, same] : gone;
    }),
    ...scenes.flatMap(({ trains }, i): Problem[] =>
      trains === undefined || there.has(trains)
        ? []
        : [{ code: 'dangling', path: [...path, 'scenes', i, 'trains'], kind: 'scene', id: trains }],
    ),
  ];
}
