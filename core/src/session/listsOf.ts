import type { Path } from './problem';
import type { ListHolder, ListRow } from './lists';
import { listsIn } from './lists';
import type { Studio } from './studioSchema';

/** A list as it is filled in a studio, and where it stands. */
export interface FilledList {
  readonly row: ListRow;
  readonly items: readonly { readonly id: string }[];
  readonly path: Path;
}

function within(holder: ListHolder, held: object, path: Path): readonly FilledList[] {
  return listsIn(holder).map((row) => ({
    row,
    items: (held as Readonly<Record<string, FilledList['items']>>)[row.key] ?? [],
    path: [...path, row.key],
  }));
}

/** The lists of the rig. */
export const listsOfRig = ({ rig }: Studio): readonly FilledList[] => within('rig', rig, ['rig']);

/** Every list of a studio but those of its rig: floor, sessions, scenes. */
export const listsBesideRig = (studio: Studio): readonly FilledList[] => [
  ...within('floor', studio.floor, ['floor']),
  ...within('studio', studio, []),
  ...studio.sessions.flatMap((session, i) => [
    ...within('session', session, ['sessions', i]),
    ...session.scenes.flatMap((scene, at) => within('scene', scene, ['sessions', i, 'scenes', at])),
  ]),
];
