import type { Item } from '@ft/core/routing/solve/demand';
import type { RoutingSpace } from '@ft/core/routing/space/routingSpace';
import { NONE } from '@ft/core/routing/space/routingSpace';
import type { Move } from './ilpMoves';
import { DONE, movesOf, SOURCE } from './ilpMoves';

/** Points that make 1 in the program, so that its numbers stay small. */
const SCALE = 1000;
/** What a thread without a way counts for in the program; far more than all ways together. */
const UNROUTED = 1e6;

/** A routing problem as an integer program, in the LP format. */
export interface Program {
  readonly text: string;
  /** What each variable costs, in points; the threads left out by name. */
  readonly points: ReadonlyMap<string, number>;
  readonly dropped: readonly string[];
}

/** A resource with one value, and who would claim it so. */
interface Claimed {
  readonly resource: number;
  readonly vars: string[];
  readonly sources: Set<string>;
}

/**
 * One value for each resource. Among strangers a lane or jack simply serves one; else each value has a
 * variable of its own, of which one may be 1.
 */
function resourceRows(
  space: RoutingSpace,
  claimed: ReadonlyMap<string, Claimed>,
  free: string[],
): readonly string[] {
  const rows: string[] = [];
  const byResource = new Map<number, [string, Claimed][]>();
  for (const [key, entry] of claimed)
    byResource.set(entry.resource, [...(byResource.get(entry.resource) ?? []), [key, entry]]);
  for (const [resource, values] of byResource) {
    if (values.length < 2) continue;
    const sources = new Set(values.flatMap(([, entry]) => [...entry.sources]));
    const strangers = ![...sources].some((source) => source.startsWith('shared'));
    if (resource < 2 * space.graph.lanes.length && strangers) {
      rows.push(`${values.flatMap(([, { vars }]) => vars).join(' + ')} <= 1`);
      continue;
    }
    const zs = values.map(([key]) => `z${key}`.replace(/-/g, 'm'));
    free.push(...zs);
    rows.push(`${zs.join(' + ')} <= 1`);
    values.forEach(([, { vars }], i) => {
      for (const name of vars) rows.push(`${name} - ${zs[i] ?? ''} <= 0`);
    });
  }
  return rows;
}

/**
 * The exact problem: each thread a flow from its source to its end or not at all, each resource one value,
 * no more cords than hang on the hook, the sides of wide threads in one slot. What ways of one source
 * share is paid once.
 */
export function programOf(space: RoutingSpace, items: readonly Item[]): Program {
  const points = new Map<string, number>();
  const dropped: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const free: string[] = [];
  const claimed = new Map<string, Claimed>();
  const threadsFrom = new Map<number, number>();
  for (const { start } of items.flatMap(({ demands }) => demands))
    threadsFrom.set(start, (threadsFrom.get(start) ?? 0) + 1);
  /** Threads of one source may share; all others are strangers. */
  const sourceKey = (start: number, thread: string): string =>
    (threadsFrom.get(start) ?? 0) > 1 ? `shared ${String(start)}` : thread;
  const paid = new Map<string, { cost: number; vars: string[]; takes: Move['takes'] }>();
  const sum = (names: readonly string[]): string => names.join(' + ');
  items.forEach(({ demands, slots }, item) => {
    const drop = `d${String(item)}`;
    binaries.push(drop);
    dropped.push(drop);
    points.set(drop, 0);
    const endVars: Map<number, string[]>[] = [];
    demands.forEach((demand, side) => {
      const thread = `${String(item)}_${String(side)}`;
      const ends = (lane: number): boolean => slots?.some((slot) => slot[side] === lane) ?? true;
      const moves = movesOf(space, demand, ends);
      const into = new Map<string, string[]>();
      const out = new Map<string, string[]>();
      const atEnd = new Map<number, string[]>();
      endVars.push(atEnd);
      const push = <K>(map: Map<K, string[]>, key: K, name: string): void => {
        map.set(key, [...(map.get(key) ?? []), name]);
      };
      moves.forEach((move, i) => {
        const name = `x${thread}_${String(i)}`;
        binaries.push(name);
        push(out, move.from, name);
        push(into, move.to, name);
        if (move.to === DONE) push(atEnd, move.end, name);
        for (const [resource, value] of move.claims) {
          const key = `${String(resource)}_${String(value)}`;
          const entry = claimed.get(key) ?? { resource, vars: [], sources: new Set() };
          entry.vars.push(name);
          entry.sources.add(sourceKey(demand.start, thread));
          claimed.set(key, entry);
        }
        const what = move.claims[0]?.join('_') ?? '';
        const lead = move.takes.map(({ thing }) => String(thing)).join('_');
        const own = (threadsFrom.get(demand.start) ?? 0) > 1 ? '_shared' : `_${thread}`;
        const key = `p${String(demand.start)}${own}_${what.replace('-', 'm')}_${lead}_${String(Math.round(move.cost))}`;
        const entry = paid.get(key) ?? { cost: move.cost, vars: [], takes: move.takes };
        entry.vars.push(name);
        paid.set(key, entry);
      });
      rows.push(`${sum([...(out.get(SOURCE) ?? []), drop])} = 1`);
      for (const [state, names] of into) {
        const onward = out.get(state) ?? [];
        if (state !== DONE) rows.push(`${sum(names)}${onward.map((name) => ` - ${name}`).join('')} = 0`);
      }
    });
    for (const slot of slots ?? []) {
      const first = endVars[0]?.get(slot[0] ?? NONE) ?? [];
      endVars.slice(1).forEach((atEnd, i) => {
        const other = atEnd.get(slot[i + 1] ?? NONE) ?? [];
        if (first.length + other.length > 0)
          rows.push(`${sum(first) || `0 ${drop}`}${other.map((name) => ` - ${name}`).join('')} = 0`);
      });
    }
  });
  rows.push(...resourceRows(space, claimed, free));
  const takers = new Map<number, string[]>();
  const costs: string[] = dropped.map(
    (name, i) => `${String(UNROUTED * (items[i]?.demands.length ?? 1))} ${name}`,
  );
  for (const [shared, { cost, vars, takes }] of paid) {
    // What one move alone pays for needs no variable of its own.
    const names = vars.length === 1 || !shared.includes('_shared_') ? vars : [shared];
    if (names !== vars) {
      free.push(shared);
      for (const each of vars) rows.push(`${each} - ${shared} <= 0`);
    }
    for (const name of names) {
      points.set(name, cost);
      if (cost > 0) costs.push(`${String(cost / SCALE)} ${name}`);
      for (const { thing } of takes) takers.set(thing, [...(takers.get(thing) ?? []), name]);
    }
  }
  for (const [thing, names] of takers) rows.push(`${sum(names)} <= ${String(space.capacity[thing] ?? 0)}`);
  const text = [
    'Minimize',
    ` obj: ${costs.join(' + ')}`,
    'Subject To',
    ...rows.map((row, i) => ` c${String(i)}: ${row}`),
    'Bounds',
    ...free.map((name) => ` 0 <= ${name} <= 1`),
    'Binary',
    ` ${binaries.join(' ')}`,
    'End',
  ].join('\n');
  return { text, points, dropped };
}
