import type { Path } from './problem';
import type { ListHolder, ListRow } from './lists';
import { listsIn } from './lists';
import type { Session } from './sessionSchema';
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

/** The lists beside rig and sessions: the floor's, and the sessions themselves. */
export const listsOfStudio = (studio: Studio): readonly FilledList[] => [
  ...within('floor', studio.floor, ['floor']),
  ...within('studio', studio, []),
];

/** Every list of one session and of its scenes. */
export const listsOfSession = (session: Session, path: Path): readonly FilledList[] => [
  ...within('session', session, path),
  ...session.scenes.flatMap((scene, at) => within('scene', scene, [...path, 'scenes', at])),
];
