import type { StationId } from '../rig/ids';
import type { GraphStation, SignalGraph } from '../graph/signalGraph';
import type { WorkedScene } from '../scene/workedScene';
import type { Track } from '../session/daw/trackSchema';
import type { Job } from '../session/jobSchema';
import { unitsInLoop } from './chainUnits';

/** Why a job cannot be done as it is written, wherever channels are free. */
export type JobFault =
  | { readonly code: 'gone'; readonly station: StationId }
  | { readonly code: 'unit-twice'; readonly station: StationId }
  /** A place in the chain has fewer, or more, stations than the track has sides. */
  | { readonly code: 'sides'; readonly stations: readonly StationId[]; readonly sides: number }
  /** A loop with nothing in it, or loops of one switcher in another order than it has them. */
  | { readonly code: 'empty-loop' | 'loop-order'; readonly station: StationId }
  | { readonly code: 'mid-side-mono' }
  | { readonly code: 'vca' }
  /** Only a slot has a dry signal beside it, and a matrix. */
  | { readonly code: 'in-line-only'; readonly what: 'mid/side' | 'parallel' }
  | { readonly code: 'no-host' }
  | { readonly code: 'no-slot'; readonly slot: number };

const loopsOf = (graph: SignalGraph, { chain }: Job): readonly GraphStation[] =>
  chain.flatMap(([first]) => {
    const station = first === undefined ? undefined : graph.stations[graph.stationIndex.get(first) ?? -1];
    return station?.role === 'loop' ? [station] : [];
  });

function loopFaults(graph: SignalGraph, job: Job): readonly JobFault[] {
  const loops = loopsOf(graph, job);
  const empty = loops.find((loop) => unitsInLoop(graph, loop).length === 0);
  const wrong = loops.find((loop, i) =>
    loops.slice(0, i).some(({ device, channel }) => device === loop.device && channel > loop.channel),
  );
  return [
    ...(empty === undefined ? [] : [{ code: 'empty-loop' as const, station: empty.id }]),
    ...(wrong === undefined ? [] : [{ code: 'loop-order' as const, station: wrong.id }]),
  ];
}

/** What a chain asks of its units and its track, apart from what is free. */
export function jobFaults({ graph, session }: WorkedScene, job: Job, track: Track): readonly JobFault[] {
  const all = job.chain.flat();
  const gone = all.find((id) => !graph.stationIndex.has(id));
  const twice = all.find((id, i) => all.indexOf(id) < i);
  const odd = job.chain.find((stations) => stations.length !== track.width);
  const inLine = job.at.in !== 'slot';
  const holder = job.at.in === 'slot' ? track.inserts[job.at.slot - 1] : undefined;
  const isPlaced = track.inserts.some((slot) => slot?.job === job.id);
  const isTaken = holder != null && !isPlaced;
  return [
    ...(session.host === undefined ? [{ code: 'no-host' as const }] : []),
    ...(track.kind === 'vca' ? [{ code: 'vca' as const }] : []),
    ...(gone === undefined ? [] : [{ code: 'gone' as const, station: gone }]),
    ...(twice === undefined ? [] : [{ code: 'unit-twice' as const, station: twice }]),
    ...(odd === undefined ? [] : [{ code: 'sides' as const, stations: odd, sides: track.width }]),
    ...loopFaults(graph, job),
    ...(job.midSide === true && track.width !== 2 ? [{ code: 'mid-side-mono' as const }] : []),
    ...(inLine && job.midSide === true ? [{ code: 'in-line-only' as const, what: 'mid/side' as const }] : []),
    ...(inLine && job.parallel !== undefined
      ? [{ code: 'in-line-only' as const, what: 'parallel' as const }]
      : []),
    ...(isTaken && job.at.in === 'slot' ? [{ code: 'no-slot' as const, slot: job.at.slot }] : []),
  ];
}
