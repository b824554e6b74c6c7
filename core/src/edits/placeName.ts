import { threadName } from '../session/threadName';
import type { Path } from '../session/problem';
import { pathText } from '../session/problem';
import type { Studio } from '../session/studioSchema';

/** What a reader calls a place in the document: "line 3 Foley", "a cord of Tracking". */
export function placeName(studio: Studio, path: Path): string {
  const [root, index, list, item, inner] = path;
  if (root === 'rig' && typeof list === 'number') {
    if (index === 'devices') return studio.rig.devices[list]?.name ?? pathText(path);
    if (index === 'hardwires') return `wire ${studio.rig.hardwires[list]?.id ?? ''}`;
  }
  if (root === 'floor') return 'the floor';
  const session = root === 'sessions' && typeof index === 'number' ? studio.sessions[index] : undefined;
  if (session === undefined || typeof item !== 'number') return pathText(path);
  const thread = list === 'threads' ? session.threads[item] : undefined;
  if (thread !== undefined) return `line ${threadName(thread)}`;
  const scene = list === 'scenes' ? session.scenes[item] : undefined;
  return scene === undefined
    ? pathText(path)
    : inner === 'follows'
      ? scene.name
      : `a ${inner === 'cords' ? 'cord' : 'setting'} of ${scene.name}`;
}
