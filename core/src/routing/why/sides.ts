import { Board } from '../solve/board';
import type { Item } from '../solve/demand';
import { exchange } from '../solve/exchange';
import { CLEAR } from '../solve/terms';
import type { Way } from '../solve/way';
import { NONE } from '../space/routingSpace';
import { holdersOn } from './holders';
import type { Inquiry } from './inquiry';
import { ASKING } from './inquiry';
import type { Obstacle } from './obstacle';
import { isOnlyShort, shortageOf } from './shortage';

/** A board with everybody else where they are, and the sides of the wide thread each for itself. */
function boardOfSides({ board, sides, ways }: Inquiry): {
  readonly loose: Board;
  readonly items: readonly number[];
} {
  const others = board.items.filter(({ demands }) => !demands.some((demand) => sides.includes(demand)));
  const single: readonly Item[] = sides.map((demand) => ({ demands: [demand] }));
  const loose = new Board(board.space, [...others, ...single]);
  others.forEach(({ demands }, item) => {
    const own = demands.flatMap(({ thread }): Way | readonly Way[] => ways.get(thread) ?? []);
    if (own.length === demands.length) loose.set(item, own);
  });
  return { loose, items: single.map((_, i) => others.length + i) };
}

/**
 * Why the sides of a wide thread, of which each alone has a way, cannot go together: what two of them need both, the
 * cords for one of them, or, where they can go together elsewhere, DAW inputs side by side.
 */
export function sidesObstacle(inquiry: Inquiry): Obstacle {
  const { sides } = inquiry;
  const { loose, items } = boardOfSides(inquiry);
  exchange(loose, items, () => false);
  const left = items.find((item) => loose.ways(item) === undefined);
  const demand = left === undefined ? undefined : loose.items[left]?.demands[0];
  if (left === undefined || demand === undefined) return { code: 'no-pair', width: sides.length };
  const placed = items.flatMap((item) => loose.ways(item) ?? []);
  const wish = loose.finder.find(demand, ASKING);
  if (wish === undefined) return { code: 'no-pair', width: sides.length };
  if (isOnlyShort(loose, wish)) {
    for (const item of items) loose.set(item, undefined);
    const short = shortageOf(loose, [...placed, wish]);
    if (short !== undefined) return short;
  }
  const own = sides.flatMap(({ thread }, side) => {
    const way = loose.ways(items[side] ?? NONE)?.[0];
    return way === undefined ? [] : [[thread, way] as const];
  });
  const [first] = holdersOn({ ...inquiry, board: loose, ways: new Map(own) }, wish);
  if (first === undefined) return { code: 'no-pair', width: sides.length };
  const { lane, station } = first;
  const role = loose.space.graph.stations[loose.space.graph.stationIndex.get(station as never) ?? NONE]?.role;
  return { code: 'one-for-several', lane, ...(station && { station }), ...(role && { role }) };
}

/** A side that alone has no way, other than a given one. */
export const sideWithoutWay = ({ board, sides, demand }: Inquiry): Inquiry['demand'] | undefined =>
  sides.find((side) => side !== demand && board.finder.find(side, CLEAR) === undefined);
