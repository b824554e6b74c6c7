import { sameValue } from '@ft/core/edits/sameValue';
import { nearestWays, withWays } from '@ft/core/scene/nearestWays';
import { workedScene } from '@ft/core/scene/workedScene';
import { workedSceneAfter } from '@ft/core/scene/workedSceneAfter';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { findScene } from '@ft/core/session/scenePlace';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import { sessionSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { SALTGLASS_PLACE as PLACE, saltglassRooms } from '../fixtures/builtDemo';
import type { Variant } from '../fixtures/schemaVariants';
import { variantsOf } from '../fixtures/schemaVariants';
import { told } from '../fixtures/told';

/** The demo with something in every list of a session, and a track that has all that a track can have. */
function sessionWithEverything(): { studio: Studio; session: Session } {
  const studio = saltglassRooms();
  const { session, scene } = findScene(studio, PLACE)!;
  const [first, second, third, ...rest] = session.tracks;
  const key = session.buses[0]!.id;
  const vca: Track = { ...third!, kind: 'vca', inserts: [], sends: [], outputs: [] };
  const inserts: Track['inserts'] = [
    { kind: 'plugin', name: 'Ducker', delaySamples: 64, key },
    { kind: 'hardware', send: 9, return: 9, sendTrimDb: 0, returnTrimDb: 1, delaySamples: 90 },
    null,
  ];
  const tracks = [{ ...first!, inserts, vca: vca.id }, second!, vca, ...rest];
  const readings = [{ id: scene.cords[0]!.from, outDbu: 4 }] as unknown as Session['readings'];
  return { studio, session: { ...session, tracks, readings, waivers: [{ id: 'some', reason: 'known' }] } };
}

describe('a session changed in one field', () => {
  const { studio, session } = sessionWithEverything();
  const { rig, floor } = studio;
  const sceneIn = ({ scenes }: Session): Scene => scenes.find(({ id }) => id === PLACE.scene) ?? scenes[0]!;
  const before = withWays(workedScene(rig, session, sceneIn(session), floor));
  const variants = variantsOf(sessionSchema, session) as readonly (Variant & { readonly value: Session })[];

  it('is tried in every field of its schema', () => {
    const tried = new Set(variants.map(({ path }) => path.split('.')[0]));
    expect(Object.keys(sessionSchema.shape).filter((field) => !tried.has(field))).toEqual([]);
    expect(variants.length).toBeGreaterThan(150);
  });

  it.each(variants.map(({ path, value }) => [path, value] as const))(
    'is worked out as if nothing had been before: %s',
    (_path, changed) => {
      const scene = sceneIn(changed);
      const after = workedSceneAfter(before, rig, changed, scene, floor);
      const [taken, anew] = [told(after), told(workedScene(rig, changed, scene, floor))];
      // The matcher takes four times as long to find two large scenes equal; it is asked where they are not.
      if (!sameValue(taken, anew)) expect(taken).toEqual(anew);
      // Ways that are said to be known are those that would be found.
      if (after.known?.stale === false) expect(after.known.ways).toEqual(nearestWays(after));
    },
  );
});
