import { fieldRead } from '@ft/core/edits/make';
import type { EditJson } from '@ft/core/edits/editKind';
import { addThreadEdits, changeThreadEdits, removeThreadEdits } from '@ft/core/actions/track/threadEdits';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Scene, Session, Thread } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Dice } from '../../core/test/fixtures/seeded';

/** Lines stay between these, so that the studio neither empties nor grows in hours of changes. */
const [FEWEST, MOST] = [4, 10];
const MOST_WAIVERS = 40;

interface At {
  readonly studio: Studio;
  readonly place: ScenePlace;
  readonly session: Session;
  readonly scene: Scene;
}

function field({ studio, place, session }: At, dice: Dice, salt: string): readonly EditJson[] {
  const thread = dice.pick(session.threads);
  const [name, value] = dice.pick<readonly [Exclude<keyof Thread, 'id'>, unknown]>([
    ['performer', `Performer ${salt}`],
    ['trackName', `T${salt}`],
    ['levelDbSpl', 60 + dice.below(60)],
  ]);
  return changeThreadEdits(studio, place, thread.id, fieldRead('thread', name, value, thread[name] ?? null));
}

function knob({ place, scene }: At, dice: Dice): readonly EditJson[] {
  const key = `preamp/gainDb/${String(1 + dice.below(4))}` as keyof Scene['settings'];
  return [
    { type: 'setting.set', ...place, key, value: 20 + dice.below(40), was: scene.settings[key] ?? null },
  ];
}

function plug({ studio, scene }: At, dice: Dice): readonly EditJson[] {
  if (scene.cords.length === 0) return [];
  const { from, to, stock } = dice.pick(scene.cords);
  const there = studio.floor.cords.find(({ id }) => id === from);
  return there === undefined
    ? [{ type: 'plug.add', item: { id: from, to, stock } }]
    : [{ type: 'plug.remove', id: from, was: there }];
}

function line({ studio, place, session }: At, dice: Dice, salt: string): readonly EditJson[] {
  const { length } = session.threads;
  if (length > MOST || (length > FEWEST && dice.chance(0.5)))
    return removeThreadEdits(studio, place, dice.pick(session.threads).id);
  const from = dice.pick(['narrator-mic', 'actor-mic', 'foley-mic', 'harp-mic']);
  const made = threadSchema.parse({
    ...{ id: `new-${salt}`, number: 20 + dice.below(500), purpose: 'input', performer: '', source: 'New' },
    ...{ trackName: '', from: `${from}/out/1`, inserts: [], pins: {}, scenes: [place.scene] },
  });
  return addThreadEdits(studio, place, made, { gainDb: 30 });
}

function waiver({ session }: At, dice: Dice, salt: string): readonly EditJson[] {
  const inSession = { session: session.id };
  if (session.waivers.length < MOST_WAIVERS)
    return [{ type: 'waiver.add', ...inSession, item: { id: `finding-${salt}`, reason: 'so be it' } }];
  const gone = dice.pick(session.waivers);
  return [{ type: 'waiver.remove', ...inSession, id: gone.id, was: gone }];
}

/** What a person might do next, for hours. */
export function soakEdits(studio: Studio, dice: Dice, salt: string): readonly EditJson[] {
  const [session] = studio.sessions;
  const scene = session?.scenes[0];
  if (session === undefined || scene === undefined || session.threads.length === 0) return [];
  const at: At = { studio, session, scene, place: { session: session.id, scene: scene.id } };
  const roll = dice.roll();
  if (roll < 0.4) return field(at, dice, salt);
  if (roll < 0.6) return knob(at, dice);
  if (roll < 0.75) return plug(at, dice);
  if (roll < 0.85) return waiver(at, dice, salt);
  return line(at, dice, salt);
}
