import type { LeadHub, RoutingSpace } from '../space/routingSpace';
import { NONE } from '../space/routingSpace';
import type { ClaimTable } from './claimTable';
import { countOf } from './mateCords';
import type { Terms } from './terms';
import { banKey, banThingKey } from './terms';
import { normalResource, OPEN } from './way';

/** What using something costs on the terms of a search, beyond its own points: what others claim, and bans. */
export class SearchPrices {
  private readonly lanes: number;

  constructor(
    private readonly space: RoutingSpace,
    private readonly table: ClaimTable,
    private readonly terms: Terms,
  ) {
    this.lanes = space.graph.lanes.length;
  }

  /** Of a resource with a value. */
  of(resource: number, value: number): number {
    const { table } = this;
    const { perConflict, everyHeldPlace = false, bans } = this.terms;
    if (bans !== undefined && (bans.has(banKey(resource)) || bans.has(banKey(resource, value))))
      return Infinity;
    const claims = table.claims(resource);
    const others = claims === 0 ? 0 : table.against(resource, value);
    const against = everyHeldPlace && (others > 0 || (claims > 0 && resource < this.lanes)) ? 1 : others;
    return (
      (against === 0 ? 0 : perConflict * against) +
      (perConflict === Infinity ? 0 : (table.history[resource] ?? 0))
    );
  }

  /** Of opening the normals that a plug in a jack opens. */
  openingOf(jack: number): number {
    let sum = 0;
    for (const normal of this.space.opens[jack] ?? [])
      sum += this.of(normalResource(this.space, normal), OPEN);
    return sum;
  }

  /** The same with the points of the normals themselves. */
  opening(jack: number): number {
    return (this.space.plugCost[jack] ?? 0) + this.openingOf(jack);
  }

  /** The cheapest lead of a hub on the hook; on soft terms one that is short costs more. */
  lead(hub: LeadHub | undefined, jack: number): { index: number; cost: number } {
    let best = { index: NONE, cost: Infinity };
    hub?.leads.forEach(({ takes }, index) => {
      const cost = (hub.costs[index] ?? Infinity) + this.taking(takes, jack);
      if (cost < best.cost) best = { index, cost };
    });
    return best;
  }

  /** Of taking things off the hook for the cord from a jack, beyond the points of the cord. */
  taking(takes: readonly number[], jack: number): number {
    const { table } = this;
    const { perConflict, bans } = this.terms;
    let cost = 0;
    for (const thing of takes) {
      if (bans?.has(banThingKey(thing)) === true || bans?.has(banThingKey(thing, jack)) === true)
        return Infinity;
      if (table.left(thing) < countOf(takes, thing)) cost += perConflict;
      if (perConflict !== Infinity) cost += table.hookHistory[thing] ?? 0;
    }
    return cost;
  }
}
