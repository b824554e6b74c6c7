import type { Demand } from '@ft/core/routing/solve/demand';
import { endResource, startValue, stepClaims } from '@ft/core/routing/solve/way';
import type { RoutingSpace, Step } from '@ft/core/routing/space/routingSpace';
import { ANY_MEDIUM, NONE } from '@ft/core/routing/space/routingSpace';

/** One thing a thread may do: from one state to another. */
export interface Move {
  readonly from: string;
  readonly to: string;
  readonly end: number;
  readonly cost: number;
  readonly claims: readonly (readonly [number, number])[];
  readonly takes: readonly { readonly thing: number; readonly jack: number }[];
}

export const SOURCE = 'source';
export const DONE = 'done';

/** Everything a thread could do, state by state: goals passed, kind of signal, lane. Plain and slow. */
export function movesOf(
  space: RoutingSpace,
  demand: Demand,
  ends: (lane: number) => boolean,
): readonly Move[] {
  const { arcs, laneMedium } = space;
  const moves: Move[] = [];
  const seen = new Set<string>();
  const open: { passed: number; signal: number; lane: number }[] = [];
  const arrive = (
    passed: number,
    signal: number,
    lane: number,
  ): { passed: number; key: string } | undefined => {
    const own = laneMedium[lane] ?? ANY_MEDIUM;
    if (own !== ANY_MEDIUM && own !== signal) return undefined;
    const last = passed === demand.goals.length - 1;
    const hit = demand.goals[passed]?.lanes.has(lane) === true && (!last || ends(lane));
    const now = hit ? passed + 1 : passed;
    const key = `${String(now)} ${String(signal)} ${String(lane)}`;
    if (!seen.has(key)) {
      seen.add(key);
      open.push({ passed: now, signal, lane });
    }
    return { passed: now, key };
  };
  const add = (from: string, passed: number, signal: number, step: Step, cost: number): void => {
    const there = arrive(passed, signal, step.to);
    if (there === undefined) return;
    const claims: [number, number][] = [];
    stepClaims(space, step, (resource, value) => claims.push([resource, value]));
    const done = there.passed === demand.goals.length;
    const endCost = done && passed < there.passed ? (demand.endCost?.(step.to) ?? 0) : 0;
    if (endCost === Infinity) return;
    const own = step.kind === 'arc' ? space.ownCords[arcs.cord[step.arc] ?? NONE] : undefined;
    const things =
      step.kind === 'cord' ? step.lead.takes : own === undefined ? [] : [space.hook.ids.indexOf(own.stock)];
    moves.push({
      ...{ from, to: there.key, end: done ? step.to : NONE, cost: cost + endCost, claims },
      takes: things.map((thing) => ({ thing, jack: step.from })),
    });
  };
  const first = arrive(0, laneMedium[demand.start] ?? ANY_MEDIUM, demand.start);
  if (first === undefined) return [];
  moves.push({
    ...{ from: SOURCE, to: first.key, end: NONE, cost: 0, takes: [] },
    claims: [[demand.start, startValue(space)]],
  });
  for (let state = open.pop(); state !== undefined; state = open.pop()) {
    const { passed, signal, lane } = state;
    const from = `${String(passed)} ${String(signal)} ${String(lane)}`;
    if (passed === demand.goals.length) {
      const claims = [[endResource(space, lane), demand.number]] as const;
      moves.push({ from, to: DONE, end: lane, cost: 0, claims, takes: [] });
      continue;
    }
    for (let arc = arcs.start[lane] ?? 0; arc < (arcs.start[lane + 1] ?? 0); arc++) {
      const to = arcs.to[arc] ?? NONE;
      if (arcs.processor[arc] === 1 && demand.goals[passed]?.lanes.has(to) !== true) continue;
      const after = arcs.signal[arc] === ANY_MEDIUM ? signal : (arcs.signal[arc] ?? ANY_MEDIUM);
      add(from, passed, after, { kind: 'arc', arc, from: lane, to }, arcs.cost[arc] ?? 0);
    }
    for (const hubIndex of space.hubsFrom[lane] ?? []) {
      const hub = space.hubs[hubIndex];
      hub?.leads.forEach((lead, i) => {
        for (const to of space.entries[hub.entry] ?? []) {
          const cost = hub.costs[i] ?? 0;
          const plugs = (space.plugCost[lane] ?? 0) + (space.plugCost[to] ?? 0);
          add(from, passed, signal, { kind: 'cord', lead, cost, from: lane, to }, cost + plugs);
        }
      });
    }
  }
  return usefulOf(moves);
}

/** Moves from which the end can be reached. */
function usefulOf(moves: readonly Move[]): readonly Move[] {
  const useful = new Set([DONE]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { from, to } of moves)
      if (useful.has(to) && !useful.has(from)) {
        useful.add(from);
        grown = true;
      }
  }
  return moves.filter(({ to }) => useful.has(to));
}
