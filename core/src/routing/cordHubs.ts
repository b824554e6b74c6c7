import type { Lane, SignalGraph } from '../graph/signalGraph';
import type { Connector } from '../rig/connector';
import type { CordStock } from '../rig/rigSchema';
import type { Cord } from '../session/sessionSchema';
import { ROUTING_COST } from './costs';
import type { CordHub } from './searchSpace';

/** The hubs of a scene, and which of them each free output jack can reach. */
export interface CordHubs {
  readonly hubs: readonly CordHub[];
  readonly hubsFrom: (lane: number) => readonly number[];
}

/** Stocks with a cord left on the hook, shortest first, so that the first that fits is the best. */
export function stocksLeft(stocks: readonly CordStock[], cords: readonly Cord[]): readonly CordStock[] {
  const taken = new Map<string, number>();
  for (const cord of cords) taken.set(cord.stock, (taken.get(cord.stock) ?? 0) + 1);
  return stocks
    .filter((stock) => stock.count > (taken.get(stock.id) ?? 0))
    .sort((a, b) => a.lengthM - b.lengthM || (a.id < b.id ? -1 : 1));
}

const kindOf = (room: string, from: Connector, to: Connector): string => `${room} ${from} ${to}`;

const isFreeJack = (graph: SignalGraph, lane: Lane): boolean =>
  lane.face === 'front' && !graph.plugAt.has(lane.index);

/** Groups free input jacks by the room and cord kind that would reach them. */
export function cordHubs(graph: SignalGraph, stocks: readonly CordStock[]): CordHubs {
  const jacks = graph.lanes.filter((lane) => isFreeJack(graph, lane));
  const inputs = jacks.filter((lane) => lane.direction === 'in');
  const rooms = [...new Set(jacks.map((lane) => lane.room))];
  const hubs: CordHub[] = [];
  const hubOfKind = new Map<string, number>();
  const hubsByOutput = new Map<string, number[]>();
  for (const stock of stocks)
    for (const [from, to] of [stock.connectors, [...stock.connectors].reverse() as [Connector, Connector]])
      for (const room of rooms) {
        const kind = kindOf(room, from, to);
        if (hubOfKind.has(kind)) continue;
        hubOfKind.set(kind, hubs.length);
        const output = `${room} ${from}`;
        hubsByOutput.set(output, [...(hubsByOutput.get(output) ?? []), hubs.length]);
        hubs.push({
          stock: stock.id,
          costPerCord: ROUTING_COST.cord + ROUTING_COST.cordPerMetre * stock.lengthM,
          inputs: inputs
            .filter((lane) => lane.room === room && lane.connector === to)
            .map((lane) => lane.index),
        });
      }
  return {
    hubs,
    hubsFrom: (index) => {
      const lane = graph.lanes[index];
      if (lane?.direction !== 'out' || !isFreeJack(graph, lane)) return [];
      return hubsByOutput.get(`${lane.room} ${lane.connector}`) ?? [];
    },
  };
}
