import type { Edit } from '@ft/core/edits/make';
import { patchEdits } from '@ft/core/actions/patchEdits';
import type { Movement } from '@ft/core/views/routing/movements';
import { movementsOf } from '@ft/core/views/routing/movements';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { routeUnless } from '@ft/core/routing/route';
import type { RouteMode } from '@ft/core/routing/solve/solve';
import type { Studio } from '@ft/core/session/studioSchema';
import { patchKey } from './patch-key';

/** How far a routing is, told now and then: the searches done so far. */
export type RoutingProgress = (searches: number) => void;

/** What came of a routing: the edits that make it, and which threads found no way. */
export interface RoutingResult {
  readonly edits: readonly Edit[];
  readonly routed: number;
  readonly stuck: number;
  /** What moved, and what for. */
  readonly movements: readonly Movement[];
  /** The patch it made: what is said of it holds as long as the scene is patched so. */
  readonly patch: string;
}

export interface RouterApi {
  route(studio: Studio, place: ScenePlace, mode: RouteMode, progress: RoutingProgress): RoutingResult;
}

/** The worker is asked for nothing else, so it tells of its progress every so many searches. */
const TELL_EVERY = 20;

/** Routes whole scenes. It runs in a worker of its own, which is stopped when a routing is given up. */
export const createRouter = (): RouterApi => ({
  route(studio, place, mode, progress) {
    const found = findScene(studio, place);
    if (found === undefined) throw new Error('This scene is gone. Choose another one at the top.');
    let searches = 0;
    const watch = (): boolean => {
      if (++searches % TELL_EVERY === 0) progress(searches);
      return false;
    };
    const { session, scene } = found;
    const routing = routeUnless(watch, studio.rig, session, scene, { mode });
    if (routing === undefined) throw new Error('a routing that nobody cancels comes to its end');
    const routed = routing.outcomes.filter((outcome) => outcome.routed && !outcome.kept).length;
    return {
      edits: patchEdits(place, scene, routing.cords, routing.settings),
      routed,
      stuck: routing.outcomes.filter((outcome) => !outcome.routed).length,
      movements: movementsOf(studio.rig, session, scene, routing),
      patch: patchKey({ id: scene.id, cords: [...routing.cords] }),
    };
  },
});
