import type { Scene } from '@ft/core/session/sessionSchema';

/** Tells patches apart: the scene, and which jacks its cords join. */
export const patchKey = ({ id, cords }: Pick<Scene, 'id' | 'cords'>): string =>
  [id, ...cords.map(({ from, to }) => `${from} ${to}`).sort()].join('\n');
