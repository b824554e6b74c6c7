import { compile } from '@ft/core/graph/compile';
import { recompile } from '@ft/core/graph/recompile';
import { findScene } from '@ft/core/session/scenePlace';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/builtDemo';

describe('a cord that is pulled', () => {
  const studio = saltglassRooms();
  const { session, scene } = findScene(studio, SALTGLASS_PLACE)!;
  const [pulled, ...others] = scene.cords;

  it('touches no other, though the later ones have another number then', () => {
    const before = compile(studio.rig, session, scene);
    const { touched, renumbered, graph } = recompile(before, studio.rig, session, {
      ...scene,
      cords: others,
    });
    const at = (place: string): number => graph.laneIndex.get(place as never) ?? -1;
    expect(renumbered.size).toBe(others.length);
    expect([at(pulled!.from), at(pulled!.to)].every((lane) => touched?.has(lane))).toBe(true);
    const near = new Set([pulled!.from, pulled!.to]);
    const far = others.filter(({ from, to }) => !near.has(from) && !near.has(to));
    expect(far.length).toBeGreaterThan(10);
    expect(far.filter(({ from, to }) => touched?.has(at(from)) === true && touched.has(at(to)))).toEqual([]);
  });
});
