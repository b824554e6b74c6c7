import type { RoutingSpace } from '../space/routingSpace';
import { banKey, banThingKey } from './terms';
import type { Way } from './way';
import { startValue } from './way';

/** Members that cannot all have what they have, and what each would have to do without; one may be named twice. */
export interface Clash {
  readonly members: readonly number[];
  readonly keys: readonly number[];
}

/** The ways that each of several members has. */
export type MemberWays = readonly (readonly Way[])[];

/** The first resource that two members claim with different values. */
function disputeIn(space: RoutingSpace, members: MemberWays): Clash | undefined {
  const lanes = space.graph.lanes.length;
  const holder = new Map<number, { member: number; value: number }>();
  for (const [member, ways] of members.entries())
    for (const { resources, values } of ways)
      for (let i = 0; i < resources.length; i++) {
        const [resource, value] = [resources[i] ?? -1, values[i] ?? -1];
        const held = holder.get(resource);
        if (held === undefined) holder.set(resource, { member, value });
        else if (held.value !== value && held.member !== member) {
          // A lane or jack serves one source: one of the two keeps off it, whatever way it would come.
          const whole =
            resource < 2 * lanes && value !== startValue(space) && held.value !== startValue(space);
          const keys = [held.value, value].map((each) => (whole ? banKey(resource) : banKey(resource, each)));
          return { members: [held.member, member], keys };
        }
      }
  return undefined;
}

/**
 * Something off the hook that the members take more of than is left. A member that takes one does without the thing;
 * one that takes several does without it at one jack or another.
 */
function shortageIn(members: MemberWays, left: (thing: number) => number): Clash | undefined {
  const takers = new Map<number, { taken: Set<string>; jacks: Map<number, Set<number>> }>();
  for (const [member, ways] of members.entries())
    for (const { takes } of ways)
      for (const { thing, jack, nth } of takes) {
        const at = takers.get(thing) ?? { taken: new Set<string>(), jacks: new Map<number, Set<number>>() };
        takers.set(thing, at);
        at.taken.add(`${String(jack)} ${String(nth)}`);
        at.jacks.set(member, (at.jacks.get(member) ?? new Set<number>()).add(jack));
      }
  for (const [thing, { taken, jacks }] of takers) {
    if (taken.size <= left(thing)) continue;
    const ways = [...jacks].flatMap(([member, own]): (readonly [number, number])[] =>
      own.size === 1
        ? [[member, banThingKey(thing)]]
        : [...own].map((jack) => [member, banThingKey(thing, jack)] as const),
    );
    return { members: ways.map(([member]) => member), keys: ways.map(([, key]) => key) };
  }
  return undefined;
}

/**
 * Why ways cannot go together; undefined where they can.
 * @param left how many of a thing the hook has for all of them.
 */
export const clashIn = (
  space: RoutingSpace,
  members: MemberWays,
  left: (thing: number) => number,
): Clash | undefined => disputeIn(space, members) ?? shortageIn(members, left);
