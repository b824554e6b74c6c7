import type { StationId } from '../rig/ids';
import type { WorkedScene } from '../scene/workedScene';
import type { ConverterEnd, HostChannel } from './hostChannels';
import { hostChannels } from './hostChannels';
import { sidesOfChain } from './chainUnits';
import type { Job } from '../session/jobSchema';
import type { ChannelWish } from './giveChannels';
import type { Patchable } from './patchable';
import { cordsBetween, patchable } from './patchable';

/** A matrix that has to be turned weighs like a cord; an input that a track will record from again, more than both. */
const TURN = 1;
const IDLE = 10;

/** Copper around lanes of one scene, each followed once. */
class Copper {
  private readonly known = new Map<string, Patchable>();

  constructor(private readonly context: WorkedScene) {}

  at(lane: number, direction: 'from' | 'to'): Patchable {
    const key = `${direction} ${String(lane)}`;
    const found = this.known.get(key) ?? patchable(this.context.graph, lane, direction);
    this.known.set(key, found);
    return found;
  }
}

/** The least that one side costs between a host channel and a unit; undefined where nothing can join them. */
function sideCost(
  copper: Copper,
  ends: readonly ConverterEnd[],
  unit: number,
  end: 'send' | 'return',
): number | undefined {
  let least: number | undefined;
  for (const { lane, turns } of ends) {
    const [output, input] = end === 'send' ? [lane, unit] : [unit, lane];
    const cords = cordsBetween(copper.at(output, 'from'), copper.at(input, 'to'));
    if (cords === undefined) continue;
    const cost = cords + (turns ? TURN : 0);
    if (least === undefined || cost < least) least = cost;
  }
  return least;
}

/**
 * A unit that copper alone does not reach, such as a pedal behind a re-amp box, has jacks before the box: the router
 * finds the way, and any converter channel with a jack will do.
 */
function isBehindBoxes(
  copper: Copper,
  unit: number,
  end: 'send' | 'return',
  ends: readonly number[],
): boolean {
  const own = copper.at(unit, end === 'send' ? 'to' : 'from');
  return !own.hasJack && !ends.some((lane) => own.lanes.has(lane));
}

/** What chains of jobs ask of the channels of the host. */
export class ChainWishes {
  private readonly copper: Copper;
  private readonly channels: ReadonlyMap<number, HostChannel>;
  private readonly converters: Readonly<Record<'send' | 'return', readonly number[]>>;

  /** @param idle inputs that recording tracks name and do not listen to just now: taken last. */
  constructor(
    private readonly context: WorkedScene,
    private readonly idle: ReadonlySet<number> = new Set(),
  ) {
    this.copper = new Copper(context);
    const all = hostChannels(context);
    this.channels = new Map(all.map((channel) => [channel.number, channel]));
    this.converters = {
      send: [...new Set(all.flatMap(({ dacs }) => dacs.map(({ lane }) => lane)))],
      return: [...new Set(all.flatMap(({ adcs }) => adcs.map(({ lane }) => lane)))],
    };
  }

  of({ id, chain }: Pick<Job, 'id' | 'chain'>, sides: number): ChannelWish {
    const ways = sidesOfChain(this.context.graph, { chain }, sides);
    const lanes = (end: 'send' | 'return'): readonly (number | undefined)[] =>
      ways.map((stations) => this.unitLane(end === 'send' ? stations[0] : stations.at(-1), end));
    const [ins, outs] = [lanes('send'), lanes('return')];
    const cost = (first: number, end: 'send' | 'return'): number | undefined => {
      let total = 0;
      for (const [i, unit] of (end === 'send' ? ins : outs).entries()) {
        const own = this.cost(first + i, unit, end);
        if (own === undefined) return undefined;
        total += own;
      }
      return Math.min(total, 99);
    };
    return {
      ...{ id, sides },
      sendCost: (first) => cost(first, 'send'),
      returnCost: (first) => cost(first, 'return'),
    };
  }

  /** A run of outputs of the host that is to be brought to some inputs, side by side. */
  into = (id: string, lanes: readonly number[]): ChannelWish => this.run(id, lanes, 'send');

  /** A run of inputs of the host that some outputs are to be brought to, side by side. */
  outOf = (id: string, lanes: readonly number[]): ChannelWish => this.run(id, lanes, 'return');

  private run(id: string, lanes: readonly number[], end: 'send' | 'return'): ChannelWish {
    const cost = (first: number): number | undefined => {
      const costs = lanes.map((lane, i) => this.cost(first + i, lane, end));
      return costs.every((each) => each !== undefined)
        ? Math.min(
            99,
            costs.reduce((a, b) => a + b, 0),
          )
        : undefined;
    };
    const free = (): number => 0;
    return {
      ...{ id, sides: lanes.length },
      ...{ sendCost: end === 'send' ? cost : free, returnCost: end === 'return' ? cost : free },
    };
  }

  private unitLane(id: StationId | undefined, end: 'send' | 'return'): number | undefined {
    const { graph } = this.context;
    const station = id === undefined ? undefined : graph.stations[graph.stationIndex.get(id) ?? -1];
    return end === 'send' ? station?.in : station?.out;
  }

  private cost(number: number, unit: number | undefined, end: 'send' | 'return'): number | undefined {
    const last = end === 'return' && this.idle.has(number) ? IDLE : 0;
    const own = this.joinCost(number, unit, end);
    return own === undefined ? undefined : own + last;
  }

  private joinCost(number: number, unit: number | undefined, end: 'send' | 'return'): number | undefined {
    const channel = this.channels.get(number);
    if (channel === undefined || unit === undefined) return undefined;
    const ends = end === 'send' ? channel.dacs : channel.adcs;
    if (!isBehindBoxes(this.copper, unit, end, this.converters[end]))
      return sideCost(this.copper, ends, unit, end);
    const hasJack = ends.some(({ lane }) => this.copper.at(lane, end === 'send' ? 'from' : 'to').hasJack);
    return hasJack ? 2 : undefined;
  }
}
