import type { CordId, ThreadId } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import type { Cord } from '../session/sessionSchema';
import type { Way } from './solve/way';
import type { RoutingSpace } from './space/routingSpace';
import { NONE } from './space/routingSpace';

/** New values by setting; null puts a knob back to its initial value. */
export type NewSettings = Readonly<Record<SettingKey, SettingValue | null>>;

/** A thread and the way found for it. */
export interface ThreadWay {
  readonly thread: ThreadId;
  readonly way: Way;
}

/** A cord id nobody in the scene has yet, from the thread it serves. */
function freeCordId(thread: ThreadId, taken: ReadonlySet<string>): CordId {
  for (let n = 1; ; n++) {
    const id = `${thread.slice(0, 56)}-c${String(n)}`;
    if (!taken.has(id)) return id as CordId;
  }
}

/** The threads that run over each cord that was there before. */
function usersOf(
  { arcs }: RoutingSpace,
  ways: readonly ThreadWay[],
): ReadonlyMap<number, readonly ThreadId[]> {
  const users = new Map<number, readonly ThreadId[]>();
  for (const { thread, way } of ways)
    for (const step of way.steps) {
      const cord = step.kind === 'arc' ? (arcs.cord[step.arc] ?? NONE) : NONE;
      if (cord >= 0) users.set(cord, [...(users.get(cord) ?? []), thread]);
    }
  return users;
}

/**
 * The cords of all ways. One that was there before keeps its id, and its thread as long as that runs over it; one
 * that several threads share is one cord, planned for the first of them.
 * @param others ids of cords that stay besides.
 */
export function cordsOf(
  space: RoutingSpace,
  ways: readonly ThreadWay[],
  others: readonly Cord[],
): readonly Cord[] {
  const { arcs, ownCords, graph } = space;
  const taken = new Set<string>([...others, ...ownCords].map(({ id }) => id));
  const users = usersOf(space, ways);
  const byJack = new Map<number, Cord>();
  for (const { thread, way } of ways)
    for (const step of way.steps) {
      if (byJack.has(step.from)) continue;
      if (step.kind === 'arc') {
        const index = arcs.cord[step.arc] ?? NONE;
        const kept = ownCords[index];
        const isOwned = kept?.thread !== undefined && users.get(index)?.includes(kept.thread) === true;
        if (kept !== undefined) byJack.set(step.from, isOwned ? kept : { ...kept, thread });
        continue;
      }
      const [from, to] = [graph.lanes[step.from]?.id, graph.lanes[step.to]?.id];
      if (from === undefined || to === undefined) continue;
      const { stock, fromAdaptor, toAdaptor } = step.lead;
      const id = freeCordId(thread, taken);
      taken.add(id);
      byJack.set(step.from, {
        ...{ id, from, to, stock, thread },
        ...(fromAdaptor && { fromAdaptor }),
        ...(toAdaptor && { toAdaptor }),
      });
    }
  return [...byJack.values()];
}

/** The knobs that ways turn, and where to. */
export function knobsOf(space: RoutingSpace, ways: readonly Way[]): ReadonlyMap<number, number> {
  const turned = new Map<number, number>();
  for (const { steps } of ways)
    for (const step of steps) {
      const knob = step.kind === 'arc' ? (space.arcs.knob[step.arc] ?? NONE) : NONE;
      if (knob >= 0 && step.kind === 'arc') turned.set(knob, space.arcs.value[step.arc] ?? 0);
    }
  return turned;
}

/**
 * The crosspoints to close, and those to let go: what earlier ways had set and no way needs any more.
 */
export function crosspointSettings(
  space: RoutingSpace,
  before: readonly Way[],
  after: readonly Way[],
): NewSettings {
  const wanted = knobsOf(space, after);
  const settings: Record<SettingKey, SettingValue | null> = {};
  for (const knob of knobsOf(space, before).keys()) {
    const it = space.knobs[knob];
    if (it?.set === true && !wanted.has(knob)) settings[it.key] = null;
  }
  for (const [knob, value] of wanted) {
    const it = space.knobs[knob];
    if (it !== undefined && it.value !== value) settings[it.key] = value === it.initial ? null : value;
  }
  return settings;
}
