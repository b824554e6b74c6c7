import type { Board } from '../solve/board';
import type { Taking, Way } from '../solve/way';
import type { Obstacle } from './obstacle';

type Short = Extract<Obstacle, { code: 'no-cord-left' }>;

/**
 * What ways would take off the hook that is not there: the first cord for which there is none, and how many of its
 * kind they need together.
 */
export function shortageOf({ space, table }: Board, ways: readonly Way[]): Short | undefined {
  const fresh = new Map<number, Taking[]>();
  for (const taking of ways.flatMap(({ takes }) => takes))
    if (!table.isTaken(taking)) fresh.set(taking.thing, [...(fresh.get(taking.thing) ?? []), taking]);
  for (const [thing, takings] of fresh) {
    const left = Math.max(0, table.left(thing));
    const missing = takings[left];
    const stock = space.hook.ids[thing];
    if (missing === undefined || stock === undefined) continue;
    const step = ways.flatMap(({ steps }) => steps).find((each) => each.from === missing.jack);
    const [from, to] = [space.graph.lanes[missing.jack]?.id, space.graph.lanes[step?.to ?? -1]?.id];
    if (from !== undefined && to !== undefined)
      return { code: 'no-cord-left', from, to, stock, needed: takings.length, left };
  }
  return undefined;
}

/** Whether a way only wants what hangs on the hook no more. */
export const isOnlyShort = ({ table }: Board, way: Way): boolean =>
  way.resources.every((resource, i) => table.against(resource, way.values[i] ?? 0) === 0);
