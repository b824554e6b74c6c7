import { workedSceneAfter } from '@ft/core/scene/workedSceneAfter';
import { areWaysKnown, withWays, withWaysLater } from '@ft/core/scene/nearestWays';
import { planFrom, planOf } from '@ft/core/views/plan';
import type { SettingKey } from '@ft/core/rig/settings';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import { facility, HOUSES } from './facility';

/** Edits that are timed, one after another, each on what the last one left. */
const EDITS = 100;
const WARM_UP = 20;
/** Times everything is worked out anew, to compare. */
const WHOLE = 9;

interface Now {
  readonly session: Session;
  readonly scene: Scene;
}
type Edit = (now: Now, n: number) => Now;

const turned = ({ session, scene }: Now, key: string, value: number | boolean): Now => ({
  session,
  scene: { ...scene, settings: { ...scene.settings, [key as SettingKey]: value } },
});

const house = (n: number): string => `h${String(1 + (n % HOUSES))}`;

/** What people do most: a gain, a fader, a level in the input list, a cord pulled and plugged again. */
const KINDS: readonly (readonly [string, Edit])[] = [
  ['a gain', (now, n) => turned(now, `${house(n)}-mic-preamp/gainDb/${String(1 + (n % 4))}`, 30 + (n % 20))],
  ['48 V', (now, n) => turned(now, `${house(n)}-mic-preamp/phantom/1`, n % 2 === 0)],
  [
    'a sound level',
    ({ session, scene }, n) => ({
      scene,
      session: {
        ...session,
        threads: session.threads.map((thread, i) =>
          i === n % session.threads.length ? { ...thread, levelDbSpl: 70 + (n % 30) } : thread,
        ),
      },
    }),
  ],
  [
    'a cord',
    ({ session, scene }, n) => ({
      session,
      scene: {
        ...scene,
        cords: n % 2 === 0 ? scene.cords.slice(1) : [...scene.cords, ...scene.cords.slice(0, 1)],
      },
    }),
  ],
];

const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

function timed<T>(work: () => T): { readonly ms: number; readonly made: T } {
  const started = performance.now();
  const made = work();
  return { ms: performance.now() - started, made };
}

/** Compile, ladders, levels of everything, timing, every check and the whole plan after one edit. */
export function edits(): void {
  const { rig, sessions, floor } = facility();
  const [session] = sessions;
  const scene = session?.scenes[0];
  if (session === undefined || scene === undefined) throw new Error('the facility has a scene');
  let { context } = planOf(rig, session, scene, floor);
  const { lanes } = context.graph;
  console.log(
    `\n${String(HOUSES)} x the demo’s facility, ${String(lanes.length)} lanes, ${String(context.threads.length)} threads: everything after one edit`,
  );
  for (const [name, edit] of KINDS) {
    const [own, ways, whole]: [number[], number[], number[]] = [[], [], []];
    let now: Now = { session, scene };
    for (let n = 0; n < EDITS + WARM_UP; n++) {
      now = edit(now, n);
      // As the worker does: first what the screens show, then the ways for threads that do not run.
      const shown = timed(() => {
        const after = workedSceneAfter(context, rig, now.session, now.scene, floor);
        return { after, plan: planFrom(withWaysLater(after)) };
      });
      const settled = timed(() => withWays(shown.made.after));
      if (n >= WARM_UP) {
        own.push(shown.ms);
        if (!areWaysKnown(shown.made.after)) ways.push(settled.ms);
      }
      context = settled.made;
    }
    // Apart, so that the garbage of the one is not charged to the other.
    for (let n = 0; n < WHOLE; n++)
      whole.push(timed(() => planOf(rig, now.session, now.scene, floor).context).ms);
    globalThis.gc?.();
    for (const list of [own, ways, whole]) list.sort((a, b) => a - b);
    const looking = ways.length === 0 ? '' : `; a way looked for in ${at(ways, 0.5).toFixed(0)} ms after it`;
    console.log(
      `  ${name.padEnd(14)} ${at(own, 0.5).toFixed(0)} ms, 95 of 100 within ${at(own, 0.95).toFixed(0)} ms; everything anew ${at(whole, 0.5).toFixed(0)} ms: ${(at(own, 0.5) / at(whole, 0.5)).toFixed(2)} x${looking}`,
    );
  }
}
