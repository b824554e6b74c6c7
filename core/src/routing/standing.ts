import type { Realisation } from './realise';
import type { Demand } from './solve/demand';
import type { Way } from './solve/way';
import { contradictionIn, wayOf } from './solve/way';
import type { RoutingSpace, Step } from './space/routingSpace';
import { NONE } from './space/routingSpace';

/** The arc from one lane to another that is there without anything being plugged. */
function arcBetween({ arcs, knobs }: RoutingSpace, from: number, to: number): number {
  const end = arcs.start[from + 1] ?? 0;
  for (let arc = arcs.start[from] ?? 0; arc < end; arc++) {
    if (arcs.to[arc] !== to) continue;
    const knob = arcs.knob[arc] ?? NONE;
    if (knob < 0 || knobs[knob]?.value === arcs.value[arc]) return arc;
  }
  return NONE;
}

/** A thread that runs, as a way of the space; undefined where the space does not have its path. */
export function standingWay(space: RoutingSpace, demand: Demand, realisation: Realisation): Way | undefined {
  if (!realisation.complete) return undefined;
  const steps: Step[] = [];
  for (const { from, to } of realisation.path) {
    const arc = arcBetween(space, from, to);
    if (arc < 0) return undefined;
    steps.push({ kind: 'arc', arc, from, to });
  }
  const way = wayOf(space, demand, steps);
  // An end that is forbidden, such as another return than its own on a host that is strict, is no way to run.
  return contradictionIn(way) === undefined && way.cost < Infinity ? way : undefined;
}
