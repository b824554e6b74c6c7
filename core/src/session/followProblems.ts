import type { SceneId } from '../rig/ids';
import type { Path, Problem } from './problem';
import type { Scene, Session } from './sessionSchema';

/** The scenes a scene follows, its own first and so on up; a ring ends where it would begin again. */
export function followedBy(scenes: readonly Scene[], scene: Scene): readonly Scene[] {
  const chain: Scene[] = [];
  const seen = new Set<SceneId>([scene.id]);
  let at = scenes.find(({ id }) => id === scene.follows);
  while (at !== undefined && !seen.has(at.id)) {
    chain.push(at);
    seen.add(at.id);
    const next: SceneId | undefined = at.follows;
    at = scenes.find(({ id }) => id === next);
  }
  return chain;
}

/** Scenes that follow one the session does not have, or themselves in the end. */
export function followProblems({ scenes }: Session, path: Path): readonly Problem[] {
  return scenes.flatMap((scene, i): readonly Problem[] => {
    const { follows } = scene;
    const here = [...path, 'scenes', i, 'follows'];
    if (follows === undefined) return [];
    if (!scenes.some(({ id }) => id === follows))
      return [{ code: 'dangling', path: here, kind: 'scene', id: follows }];
    const isRing = follows === scene.id || followedBy(scenes, scene).at(-1)?.follows === scene.id;
    return isRing ? [{ code: 'follows-itself', path: here, id: scene.id }] : [];
  });
}
