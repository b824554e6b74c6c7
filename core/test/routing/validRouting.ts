import { workedScene } from '@ft/core/scene/workedScene';
import { unitUsedTwice } from '@ft/core/checks/rules/unitUsedTwice';
import type { Routing } from '@ft/core/routing/route';
import { STATION_ROLES } from '@ft/core/rig/deviceModel';
import { integrityProblems } from '@ft/core/session/integrity';
import type { Scene, Thread } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { firstScene } from '../fixtures/studioOf';

/** The first scene as it is after a routing. */
export function sceneAfter(scene: Scene, { cords, settings }: Routing): Scene {
  const merged = Object.entries({ ...scene.settings, ...settings }).filter(([, value]) => value !== null);
  return { ...scene, cords: [...cords], settings: Object.fromEntries(merged) as Scene['settings'] };
}

/**
 * What is wrong with a routing, looked at without the router: the scene is compiled with its cords and
 * crosspoints, and every thread followed through it.
 */
export function faultsOf(studio: Studio, routing: Routing): readonly string[] {
  const { session, scene } = firstScene(studio);
  const after = sceneAfter(scene, routing);
  const whole = { ...studio, sessions: [{ ...session, scenes: [after] }] };
  const faults: string[] = integrityProblems(whole).map(
    (problem) => `${problem.code} ${JSON.stringify(problem)}`,
  );
  for (const { id, count } of studio.rig.cords)
    if (after.cords.filter(({ stock }) => stock === id).length > count) faults.push(`too many of ${id}`);
  const context = workedScene(studio.rig, { ...session, scenes: [after] }, after);
  const routed = new Set(routing.outcomes.flatMap((outcome) => (outcome.routed ? [outcome.thread] : [])));
  const ends = new Map<number, string>();
  const ended = new Map<string, number>();
  for (const planned of context.threads) {
    const { thread, complete, path, stations } = planned;
    if (!routed.has(thread.id)) continue;
    if (!complete)
      faults.push(`${thread.id} stops at ${context.graph.lanes[planned.stopsAt ?? -1]?.id ?? '?'}`);
    const end = path.at(-1)?.to ?? -1;
    const other = ends.get(end);
    if (other !== undefined) faults.push(`${thread.id} and ${other} end at one input`);
    ends.set(end, thread.id);
    ended.set(thread.id, stations.find(({ role }) => role === 'daw-input')?.channel ?? 0);
    for (const role of STATION_ROLES) {
      const pin = thread.pins[role];
      if (pin !== undefined && !stations.some(({ id }) => id === pin))
        faults.push(`${thread.id} misses its pin ${pin}`);
    }
  }
  faults.push(...sideFaults(session.threads, ended));
  const both = unitUsedTwice
    .run(context)
    .filter(({ at }) => at.filter(({ id }) => routed.has(id as never)).length > 1);
  faults.push(...both.map(({ at }) => `shared: ${at.map(({ id }) => id).join(' ')}`));
  return faults;
}

/** Sides of wide threads that do not sit side by side, the first on an odd input. */
function sideFaults(threads: readonly Thread[], ended: ReadonlyMap<string, number>): readonly string[] {
  // Feeds end where they say, and not at the DAW.
  const sides = threads.filter(({ purpose }) => purpose !== 'feed');
  return sides.flatMap(({ id, link }) => {
    const [first, own] = [ended.get(link?.lead ?? ''), ended.get(id)];
    if (link === undefined || first === undefined || own === undefined) return [];
    return first % 2 === 1 && own === first + link.place - 1
      ? []
      : [`${id} sits at ${String(own)}, its lead at ${String(first)}`];
  });
}
