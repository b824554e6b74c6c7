import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { saltglassRooms } from '@ft/demo/saltglass';

/** Houses that make about twenty thousand lanes. */
export const HOUSES = 7;

/** What refers to the rig: "device/…" ids, and names that have to stay one of a kind. */
const RIG_ID = /^[a-z0-9-]+(\/[a-zA-Z0-9-]+){1,2}$/;

/** A part of the document for the n-th house: every id of the rig, its threads and cords with the house before it. */
function moved(part: unknown, n: number, own: ReadonlySet<string>): unknown {
  if (typeof part === 'string') {
    const device = part.split('/')[0] ?? '';
    return own.has(part) || (RIG_ID.test(part) && own.has(device)) ? `h${String(n)}-${part}` : part;
  }
  if (Array.isArray(part)) return part.map((each) => moved(each, n, own));
  if (typeof part !== 'object' || part === null) return part;
  return Object.fromEntries(
    Object.entries(part).map(([key, value]) => [
      String(moved(key, n, own)),
      key === 'name' && 'type' in part
        ? `${String(value)} ${String(n)}`
        : key === 'type'
          ? value
          : moved(value, n, own),
    ]),
  );
}

/** Saltglass Rooms as many times under one roof: one session records in all of them, its tracks in the first. */
export function facility(houses: number = HOUSES): Studio {
  const one = saltglassRooms();
  const [session] = one.sessions;
  const scene = session?.scenes[0];
  if (session === undefined || scene === undefined) throw new Error('the demo has a scene');
  const numbers = Array.from({ length: houses }, (_, i) => i + 1);
  const ids = (list: readonly { readonly id: string }[]): string[] => list.map(({ id }) => id);
  const own = new Set([
    ...ids(one.rig.devices),
    ...ids(one.rig.hardwires),
    ...ids(session.threads),
    ...ids(scene.cords),
  ]);
  const inEach = (list: readonly unknown[]): unknown[] =>
    numbers.flatMap((n) => list.map((item) => moved(item, n, own)));
  const threads = inEach(session.threads) as { number: number; scenes: string[] }[];
  return canonicalStudio(
    studioSchema.parse({
      ...{ id: 'facility', name: 'Facility' },
      rig: {
        ...one.rig,
        devices: inEach(one.rig.devices),
        hardwires: inEach(one.rig.hardwires),
        cords: one.rig.cords.map((stock) => ({ ...stock, count: stock.count * houses })),
      },
      sessions: [
        {
          ...session,
          id: 'session',
          threads: threads.map((thread, i) => ({ ...thread, number: i + 1, scenes: ['scene'] })),
          scenes: [
            {
              ...{ id: 'scene', name: 'Scene' },
              cords: inEach(scene.cords),
              settings: Object.assign({}, ...numbers.map((n) => moved(scene.settings, n, own))) as object,
            },
          ],
          host: 'h1-daw',
          automatedConsole: 'h1-split-console',
          performers: session.performers.map((each) => moved(each, 1, own)),
        },
      ],
    }),
  );
}
