import { shortestWay } from '../graph/shortestWay';
import type { GraphStation, SignalGraph } from '../graph/signalGraph';
import type { DeviceId, StationId } from '../rig/ids';
import { deviceIdIn } from '../rig/ids';
import { stationsOn } from '../routing/realise';
import type { Job } from '../session/jobSchema';

const stationOf = (graph: SignalGraph, id: StationId): GraphStation | undefined =>
  graph.stations[graph.stationIndex.get(id) ?? -1];

/** What hangs in a loop, in order; nothing where it is wired through, or not at all. */
export function unitsInLoop(graph: SignalGraph, { in: send, out: back }: GraphStation): readonly StationId[] {
  const { path, arrives } = shortestWay(graph, send, back, () => true);
  if (!arrives) return [];
  return stationsOn(graph, path)
    .filter(({ role }) => role === 'processor')
    .map(({ id }) => id);
}

/** The units a station of a chain stands for: itself, or what hangs in the loop it is. */
const unitsOf = (graph: SignalGraph, id: StationId): readonly StationId[] => {
  const station = stationOf(graph, id);
  return station?.role === 'loop' ? unitsInLoop(graph, station) : [id];
};

/** The units of a chain side by side, loops by what hangs in them: what its lines pass, in order. */
export const sidesOfChain = (
  graph: SignalGraph,
  { chain }: Pick<Job, 'chain'>,
  sides: number,
): readonly (readonly StationId[])[] =>
  Array.from({ length: sides }, (_, i) =>
    chain.flatMap((stations) => {
      const own = stations[i];
      return own === undefined ? [] : unitsOf(graph, own);
    }),
  );

/** What serves one signal at a time: a channel of a unit, or a loop switcher as a whole. */
export type Want = StationId | DeviceId;

/** Everything a job keeps from others. */
export function wantsOf(graph: SignalGraph, { chain }: Pick<Job, 'chain'>): readonly Want[] {
  const all = chain.flat().flatMap((id): readonly Want[] => {
    const station = stationOf(graph, id);
    return station?.role === 'loop' ? [deviceIdIn(id), ...unitsInLoop(graph, station)] : [id];
  });
  return [...new Set(all)];
}

/** Whether two chains want one and the same. */
export function sharesUnit(graph: SignalGraph, a: Pick<Job, 'chain'>, b: Pick<Job, 'chain'>): boolean {
  const own = new Set(wantsOf(graph, a));
  return wantsOf(graph, b).some((want) => own.has(want));
}
