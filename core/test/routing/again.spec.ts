import type { Rig } from '@ft/core/rig/rigSchema';
import { compile } from '@ft/core/graph/compile';
import { realiseAll } from '@ft/core/routing/realiseAll';
import { route } from '@ft/core/routing/route';
import type { Routing } from '@ft/core/routing/route';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import { firstScene } from '../fixtures/studioOf';
import { randomRouting } from './randomRouting';
import { faultsOf, sceneAfter } from './validRouting';

type Place = ReturnType<typeof firstScene>;

const withScene = (studio: Studio, { session, scene }: Place, rig: Rig = studio.rig): Studio => ({
  ...studio,
  rig,
  sessions: [{ ...session, scenes: [scene] }],
});

/** Threads that run in the patch as it stands, read without the router's search. */
function runningIn({ rig, sessions }: Studio): ReadonlySet<string> {
  const [session] = sessions as [Studio['sessions'][number]];
  const [scene] = session.scenes as [Place['scene']];
  const runs = realiseAll(compile(rig, session, scene), session.threads);
  return new Set(runs.filter(({ complete }) => complete).map(({ thread }) => thread.id));
}

/** Something happens to a patch: a cord is lost, a jack dies, a cord is pulled, a pin is set, a thread comes late. */
function changed(studio: Studio, late: Place['session']['threads'], dice: Dice): Studio {
  const { session, scene } = firstScene(studio);
  const { rig } = studio;
  const cord = scene.cords.length === 0 ? undefined : dice.pick(scene.cords);
  switch (dice.below(5)) {
    case 0: {
      const lost = dice.pick(rig.cords);
      const cords = rig.cords.map((each) =>
        each === lost ? { ...each, count: Math.max(0, each.count - 1) } : each,
      );
      return withScene(studio, { session, scene }, { ...rig, cords });
    }
    case 1:
      return cord === undefined
        ? studio
        : withScene(
            studio,
            { session, scene },
            { ...rig, faults: [{ id: dice.chance(0.5) ? cord.from : cord.to, note: '' }] },
          );
    case 2:
      return withScene(studio, {
        session,
        scene: { ...scene, cords: scene.cords.filter((each) => each !== cord) },
      });
    case 3: {
      const pinned = dice.pick(session.threads);
      const preamp = `preamp/channel-${String(1 + dice.below(4))}` as never;
      const threads = session.threads.map((each) =>
        each === pinned ? { ...each, pins: { ...each.pins, preamp } } : each,
      );
      return withScene(studio, { session: { ...session, threads }, scene });
    }
    default:
      return withScene(studio, { session: { ...session, threads: [...session.threads, ...late] }, scene });
  }
}

interface Again {
  readonly seed: number;
  readonly before: ReadonlySet<string>;
  readonly studio: Studio;
  readonly routing: Routing;
}

/** A rig routed, something that happens, and the rig routed again; the last thread may come late. */
function again(seed: number): Again {
  const dice = seeded(seed + 9000);
  const whole = randomRouting(seed);
  const place = firstScene(whole);
  const [last] = place.session.threads.slice(-1);
  const isFree =
    last?.link === undefined && !place.session.threads.some(({ link }) => link?.lead === last?.id);
  const late = last !== undefined && isFree && place.session.threads.length > 2 ? [last] : [];
  const early = place.session.threads.filter((thread) => !late.includes(thread));
  const first = withScene(whole, { ...place, session: { ...place.session, threads: early } });
  const start = firstScene(first);
  const routed = withScene(first, {
    ...start,
    scene: sceneAfter(start.scene, route(first.rig, start.session, start.scene)),
  });
  const studio = changed(routed, late, dice);
  const now = firstScene(studio);
  return { seed, before: runningIn(studio), studio, routing: route(studio.rig, now.session, now.scene) };
}

describe('a patch that is routed again after something has happened', () => {
  let all: readonly Again[] = [];
  beforeAll(() => {
    all = seedsFrom1(4, 150).map(again);
  });

  const after = ({ studio, routing }: Again): Studio => {
    const { session, scene } = firstScene(studio);
    return withScene(studio, { session, scene: sceneAfter(scene, routing) });
  };

  it('holds, and needs no more cords than hang on the hook', () => {
    expect(
      all.flatMap(({ seed, studio, routing }) =>
        faultsOf(studio, routing).map((fault) => `${String(seed)}: ${fault}`),
      ),
    ).toEqual([]);
  });

  it('stops no thread that runs, unless more run afterwards', () => {
    // What ran on cords that the rig no longer counts did not really run.
    const enough = all.filter(({ studio }) => {
      const { scene } = firstScene(studio);
      return studio.rig.cords.every(
        ({ id, count }) => scene.cords.filter(({ stock }) => stock === id).length <= count,
      );
    });
    const worse = enough.flatMap((one) => {
      const now = runningIn(after(one));
      const stopped = [...one.before].filter((id) => !now.has(id));
      return stopped.length > 0 && now.size <= one.before.size
        ? [`${String(one.seed)}: ${stopped.join(' ')}`]
        : [];
    });
    expect(worse).toEqual([]);
  });

  it('moves nothing without naming a thread that runs because of it', () => {
    const idle = all.flatMap(({ seed, before, routing }) =>
      routing.outcomes.flatMap((outcome) =>
        outcome.routed &&
        !outcome.kept &&
        before.has(outcome.thread) &&
        (outcome.gain?.runs ?? []).length === 0
          ? [`${String(seed)}: ${outcome.thread}`]
          : [],
      ),
    );
    expect(idle).toEqual([]);
    // There are movements among them, and they bought something.
    expect(
      all.some(({ routing }) =>
        routing.outcomes.some((each) => each.routed && (each.gain?.runs ?? []).length > 0),
      ),
    ).toBe(true);
  });

  it('moves nothing without points saved either, where everything is weighed anew', () => {
    const idle = all.flatMap((one) => {
      const { rig, sessions } = after(one);
      const [session] = sessions as [Place['session']];
      const [scene] = session.scenes as [Place['scene']];
      const { outcomes } = route(rig, session, scene, { mode: 'all' });
      return outcomes.flatMap((outcome) => {
        const gain = outcome.routed ? outcome.gain : undefined;
        return gain?.runs.length === 0 && gain.savedPoints < 0.5
          ? [`${String(one.seed)}: ${outcome.thread}`]
          : [];
      });
    });
    expect(idle).toEqual([]);
  });
});
