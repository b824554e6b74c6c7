import type { Path, Problem } from './problem';
import type { Carrier, Cue } from './cueSchema';
import type { Session } from './sessionSchema';

/** What a carrier is made of: buses of a device, or outputs of the host. */
export function carrierPlaces(carrier: Carrier): readonly string[] {
  if (carrier.on === 'console') return carrier.rows.map((row) => `${carrier.device} ${row}`);
  return Array.from({ length: carrier.width }, (_, i) => `host ${String(carrier.first + i)}`);
}

const shareScene = (a: Cue, b: Cue): boolean => a.scenes.some((id) => b.scenes.includes(id));

/** Cues that would be one and the same mix in a scene. */
function takenTwice(cues: readonly Cue[], path: Path): readonly Problem[] {
  return cues.flatMap((cue, i) => {
    const places = carrierPlaces(cue.carrier);
    const by = cues
      .slice(0, i)
      .find(
        (other) =>
          shareScene(cue, other) && carrierPlaces(other.carrier).some((place) => places.includes(place)),
      );
    return by === undefined
      ? []
      : [{ code: 'carrier-taken', path: [...path, i, 'carrier'], name: cue.name, byName: by.name }];
  });
}

/** What does not hold among the cues of a session, and for the lines that bring them. */
export function cueProblems({ cues, scenes, threads }: Session, path: Path): readonly Problem[] {
  const [thereScenes, thereCues] = [new Set(scenes.map(({ id }) => id)), new Set(cues.map(({ id }) => id))];
  return [
    ...cues.flatMap((cue, i) =>
      cue.scenes.flatMap((id, k): Problem[] =>
        thereScenes.has(id)
          ? []
          : [{ code: 'dangling', path: [...path, 'cues', i, 'scenes', k], kind: 'scene', id }],
      ),
    ),
    ...takenTwice(cues, [...path, 'cues']),
    ...threads.flatMap(({ cue }, i): Problem[] =>
      cue === undefined || thereCues.has(cue)
        ? []
        : [{ code: 'dangling', path: [...path, 'threads', i, 'cue'], kind: 'cue', id: cue }],
    ),
  ];
}
