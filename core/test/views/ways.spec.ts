import { isDeepStrictEqual } from 'node:util';
import type { WorkedScene } from '@ft/core/scene/workedScene';
import { workedScene } from '@ft/core/scene/workedScene';
import { workedSceneAfter } from '@ft/core/scene/workedSceneAfter';
import { areWaysKnown, withWays, withWaysLater } from '@ft/core/scene/nearestWays';
import { applyChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { keepSame } from '@ft/core/edits/keepSame';
import { compile } from '@ft/core/graph/compile';
import type { SignalGraph } from '@ft/core/graph/signalGraph';
import { compileNear } from '@ft/core/graph/recompile';
import { planFrom } from '@ft/core/views/plan';
import { findScene } from '@ft/core/session/scenePlace';
import { choosableKeys } from '@ft/core/routing/space/choosableArcs';
import type { SettingKey, SettingValue } from '@ft/core/rig/settings';
import type { Studio } from '@ft/core/session/studioSchema';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/builtDemo';

const PLACE = SALTGLASS_PLACE;

function edited(studio: Studio, edits: readonly EditJson[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error('the edit fits');
  return keepSame(studio, result.value);
}

function contextOf(studio: Studio, before?: WorkedScene): WorkedScene {
  const { session, scene } = findScene(studio, PLACE)!;
  return before === undefined
    ? workedScene(studio.rig, session, scene, studio.floor)
    : workedSceneAfter(before, studio.rig, session, scene, studio.floor);
}

/** The demo with the first cord of its first patched line pulled. */
function withCordPulled(): Studio {
  const studio = saltglassRooms();
  const planned = contextOf(studio).threads.find(({ path }) => path.some(({ cord }) => cord !== undefined))!;
  const cord = findScene(studio, PLACE)!.scene.cords.find(({ id }) =>
    planned.path.some((edge) => edge.cord === id),
  )!;
  return edited(studio, [{ type: 'cord.remove', ...PLACE, id: cord.id, was: cord }]);
}

function turned(studio: Studio, key: string, value: SettingValue): Studio {
  const was = findScene(studio, PLACE)!.scene.settings[key as SettingKey] ?? null;
  return edited(studio, [{ type: 'setting.set', ...PLACE, key: key, value, was }]);
}

const incomplete = (context: WorkedScene) =>
  planFrom(context).findings.find(({ rule }) => rule === 'thread-incomplete')!;

describe('ways for threads that do not run', () => {
  const broken = withCordPulled();
  const context = withWays(contextOf(broken));

  it('are told as being looked for until they are known', () => {
    const later = withWaysLater(contextOf(broken));
    expect(areWaysKnown(later)).toBe(false);
    expect(incomplete(later).remedy).toBe('A way is being looked for.');
    expect(areWaysKnown(context)).toBe(true);
    expect(incomplete(context).remedy).toMatch(/^Route it/);
    // The finding is the same one: what was waived before the way was known stays waived.
    expect(incomplete(later).key).toBe(incomplete(context).key);
  });

  it('are known where every thread runs', () => {
    expect(areWaysKnown(withWaysLater(contextOf(saltglassRooms())))).toBe(true);
  });

  it('are not looked for again when a gain is turned or a level is said', () => {
    const gain = contextOf(turned(broken, 'mic-preamp/gainDb/1', 31), context);
    expect(gain.known).toEqual({ ways: context.known!.ways, stale: false });
    const { id, levelDbSpl } = findScene(broken, PLACE)!.session.threads[0]!;
    const said = edited(broken, [
      {
        ...{ type: 'thread.set', session: PLACE.session, id, field: 'levelDbSpl' },
        ...{ value: 77, was: levelDbSpl ?? null },
      },
    ]);
    expect(contextOf(said, context).known!.stale).toBe(false);
  });

  it('are looked for again when a cord, a pin or a knob the router may turn has changed', () => {
    const { session, scene } = findScene(broken, PLACE)!;
    const cord = scene.cords[0]!;
    const pulled = edited(broken, [{ type: 'cord.remove', ...PLACE, id: cord.id, was: cord }]);
    const { id, pins } = session.threads.find(({ scenes }) => scenes.includes(scene.id))!;
    const pinned = edited(broken, [
      {
        ...{ type: 'thread.set', session: session.id, id, field: 'pins.preamp' },
        ...{ value: 'mic-preamp/channel-4', was: pins.preamp ?? null },
      },
    ]);
    const [knob] = choosableKeys(broken.rig, context.graph);
    const crosspoint = turned(broken, knob!, scene.settings[knob!] === 3 ? 2 : 3);
    for (const studio of [pulled, pinned, crosspoint]) {
      const after = contextOf(studio, context);
      expect(after.known!.stale).toBe(true);
      // Until then the ways of before are told.
      expect(withWaysLater(after).known!.ways).toBe(context.known!.ways);
      expect(withWays(after).known!.stale).toBe(false);
    }
  });
});

/** Stations as text: a field that is left out and one that is undefined mean the same. */
const plain = (graph: SignalGraph) => ({ ...graph, stations: JSON.stringify(graph.stations) });

describe('a graph compiled from whichever scene was compiled last', () => {
  it('is the graph of its scene', () => {
    const { rig, sessions } = saltglassRooms();
    const places = sessions.flatMap((session) => session.scenes.map((scene) => ({ session, scene })));
    expect(places.length).toBeGreaterThan(1);
    const alone = new Map(
      places.map(({ session, scene }) => [scene, compile(structuredClone(rig), session, scene)]),
    );
    for (const { session, scene } of [...places, ...[...places].reverse()]) {
      const [near, whole] = [compileNear(rig, session, scene), alone.get(scene)!];
      // The matcher takes many times as long to find two large graphs equal; it is asked where they are not.
      if (!isDeepStrictEqual(plain(near), plain(whole))) expect(near).toEqual(whole);
    }
  });
});
