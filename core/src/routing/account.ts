import type { Preference } from '../session/preferences';
import { PREFERENCE_ORDER } from '../session/preferences';
import { CROSSPOINT_PER_CORD, HOP_POINTS, METRES_PER_UNIT } from './costs';
import type { Demand } from './solve/demand';
import type { Way } from './solve/way';
import type { RoutingSpace, Step } from './space/routingSpace';
import { NONE } from './space/routingSpace';

/** What a way costs: by preference, and what no preference speaks of. */
export type AccountWhat = Preference | 'crosspoints' | 'adaptors' | 'hops';

/** One line of the account: how many, and the points they make. Lengths are in metres. */
export interface AccountLine {
  readonly what: AccountWhat;
  readonly count: number;
  readonly points: number;
}

const ORDER: readonly AccountWhat[] = [...PREFERENCE_ORDER, 'crosspoints', 'adaptors', 'hops'];

/** Length of the cord of a step, and the adaptors on it; undefined where the step is none. */
function cordOf(
  { ownCords, arcs }: RoutingSpace,
  lengths: ReadonlyMap<string, number>,
  step: Step,
): { readonly lengthM: number; readonly adaptors: number; readonly isNew: boolean } | undefined {
  if (step.kind === 'cord')
    return { lengthM: step.lead.lengthM, adaptors: step.lead.takes.length - 1, isNew: true };
  const own = ownCords[arcs.cord[step.arc] ?? NONE];
  return own && { lengthM: lengths.get(own.stock) ?? 0, adaptors: 0, isNew: false };
}

/**
 * Why a way costs what it costs, line by line; the points add up to its cost.
 * @param lengths metres of each cord stock.
 */
// eslint-disable-next-line max-lines-per-function -- every kind of cost beside the others, so that none is forgotten
export function accountOf(
  space: RoutingSpace,
  demand: Demand,
  way: Way,
  lengths: ReadonlyMap<string, number>,
): readonly AccountLine[] {
  const { weights, arcs, graph, plugCost } = space;
  const lines = new Map<AccountWhat, { count: number; points: number }>();
  const add = (what: AccountWhat, count: number, points: number): void => {
    const line = lines.get(what) ?? { count: 0, points: 0 };
    lines.set(what, { count: line.count + count, points: line.points + points });
  };
  for (const step of way.steps) {
    const cord = cordOf(space, lengths, step);
    if (cord === undefined) {
      if (step.kind !== 'arc') continue;
      add('hops', 1, HOP_POINTS);
      const isTie = graph.edges[arcs.edge[step.arc] ?? NONE]?.kind === 'tieLine';
      if (isTie) add('few-tie-lines', 1, weights['few-tie-lines']);
      const turned = (arcs.knob[step.arc] ?? NONE) >= 0 && (arcs.cost[step.arc] ?? 0) > HOP_POINTS;
      if (turned) add('crosspoints', 1, weights.keep * CROSSPOINT_PER_CORD);
      continue;
    }
    if (cord.isNew) add('keep', 1, weights.keep);
    add('few-cords', 1, weights['few-cords']);
    add('short-cords', cord.lengthM, (weights['short-cords'] * cord.lengthM) / METRES_PER_UNIT);
    if (cord.adaptors > 0) add('adaptors', cord.adaptors, (cord.adaptors * weights['few-cords']) / 2);
    for (const jack of [step.from, step.to]) {
      const opened = space.opens[jack]?.length ?? 0;
      const others = Math.round(
        ((plugCost[jack] ?? 0) - opened * weights.normals) / weights['others-normals'],
      );
      if (opened > 0) add('normals', opened, opened * weights.normals);
      if (others > 0) add('others-normals', others, others * weights['others-normals']);
    }
  }
  const endPoints = demand.endCost?.(way.end) ?? 0;
  if (endPoints > 0) add('one-to-one', 1, endPoints);
  return ORDER.flatMap((what) => {
    const line = lines.get(what);
    return line === undefined ? [] : [{ what, ...line }];
  });
}
