import type { Floor } from './floorSchema';
import type { Path, Problem } from './problem';
import { jacksTakenTwice } from './sceneProblems';

/** What does not hold on a floor: a jack with two plugs. */
export function floorProblems({ cords }: Floor, path: Path): readonly Problem[] {
  const plugs = cords.map(({ id, to }) => ({ id, from: id, to }));
  return jacksTakenTwice(plugs, [...path, 'cords']);
}
