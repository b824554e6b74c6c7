import type { Demand } from './demand';
import type { RoutingSpace, Step } from '../space/routingSpace';
import { NONE } from '../space/routingSpace';

/**
 * What a way uses. A resource holds one value at a time: a lane the arc it is entered by, a jack the
 * cord that sits in it, a normal open or closed, a knob its position. Two ways go together where each
 * resource they share has the same value in both: so they carry the same signal there, from one output.
 */
export interface Claims {
  readonly resources: Int32Array;
  readonly values: Int32Array;
}

/** A thread's way through the space, from its source to its end. */
export interface Way extends Claims {
  readonly start: number;
  readonly end: number;
  readonly steps: readonly Step[];
  /** Points of the way alone. */
  readonly cost: number;
  /** What it takes off the hook. */
  readonly takes: readonly Taking[];
}

/** Something off the hook, for the cord that sits in a jack: ways that share the cord take it once. */
export interface Taking {
  readonly thing: number;
  readonly jack: number;
  /** Which of the things the cord takes: two adaptors alike are two. */
  readonly nth: number;
}

const NOTHING: readonly number[] = [];

export const CLOSED = 0;
export const OPEN = 1;

/** Where the resources of a space are numbered. */
export const plugResource = (space: RoutingSpace, lane: number): number => space.graph.lanes.length + lane;
export const normalResource = (space: RoutingSpace, normal: number): number =>
  2 * space.graph.lanes.length + normal;
export const knobResource = (space: RoutingSpace, knob: number): number =>
  2 * space.graph.lanes.length + space.normalCount + knob;
/** The end of a thread: a DAW input, or the input it feeds, takes one thread. Its value is the demand's number. */
export const endResource = (space: RoutingSpace, lane: number): number =>
  knobResource(space, space.knobs.length) + lane;
export const resourceCount = (space: RoutingSpace): number => endResource(space, space.graph.lanes.length);

/** The value of a lane that is entered by a cord from `from`, whether it is there already or not. */
export const cordValue = (space: RoutingSpace, from: number): number => space.arcs.to.length + from;
/** The value of a lane that a thread starts from. */
export const startValue = (space: RoutingSpace): number => space.arcs.to.length + space.graph.lanes.length;

/** Visits what one step claims. */
export function stepClaims(
  space: RoutingSpace,
  step: Step,
  visit: (resource: number, value: number) => void,
): void {
  const { arcs } = space;
  const isCord = step.kind === 'cord' || (arcs.cord[step.arc] ?? NONE) >= 0;
  if (isCord) {
    visit(step.to, cordValue(space, step.from));
    visit(plugResource(space, step.from), step.to);
    visit(plugResource(space, step.to), step.from);
    for (const jack of [step.from, step.to])
      for (const normal of space.opens[jack] ?? []) visit(normalResource(space, normal), OPEN);
    return;
  }
  visit(step.to, step.arc);
  const normal = arcs.normal[step.arc] ?? NONE;
  if (normal >= 0) visit(normalResource(space, normal), CLOSED);
  const knob = arcs.knob[step.arc] ?? NONE;
  if (knob >= 0) visit(knobResource(space, knob), arcs.value[step.arc] ?? 0);
}

/** Points of one step alone. */
export const stepCost = (space: RoutingSpace, step: Step): number =>
  step.kind === 'cord'
    ? step.cost + (space.plugCost[step.from] ?? 0) + (space.plugCost[step.to] ?? 0)
    : (space.arcs.cost[step.arc] ?? 0);

function takesOf(space: RoutingSpace, step: Step): readonly Taking[] {
  const takes =
    step.kind === 'cord' ? step.lead.takes : (space.ownTakes[space.arcs.cord[step.arc] ?? NONE] ?? NOTHING);
  return takes.map((thing, nth) => ({ thing, jack: step.from, nth }));
}

/** The way of a demand over given steps. */
export function wayOf(space: RoutingSpace, demand: Demand, steps: readonly Step[]): Way {
  const { start } = demand;
  const end = steps.at(-1)?.to ?? start;
  const resources: number[] = [start, endResource(space, end)];
  const values: number[] = [startValue(space), demand.number];
  for (const step of steps)
    stepClaims(space, step, (resource, value) => {
      resources.push(resource);
      values.push(value);
    });
  return {
    start,
    end,
    steps,
    cost: steps.reduce((sum, step) => sum + stepCost(space, step), demand.endCost?.(end) ?? 0),
    takes: steps.flatMap((step) => takesOf(space, step)),
    resources: Int32Array.from(resources),
    values: Int32Array.from(values),
  };
}

/** A resource that a way claims twice with two values: it cannot be patched so. */
export function contradictionIn({
  resources,
  values,
}: Claims): { resource: number; value: number; other: number } | undefined {
  const seen = new Map<number, number>();
  for (let i = 0; i < resources.length; i++) {
    const [resource, value] = [resources[i] ?? NONE, values[i] ?? NONE];
    const other = seen.get(resource);
    if (other !== undefined && other !== value) return { resource, value, other };
    seen.set(resource, value);
  }
  return undefined;
}
