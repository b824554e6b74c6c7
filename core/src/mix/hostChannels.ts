import { hostOf } from '../graph/dawTracks';
import type { SignalGraph } from '../graph/signalGraph';
import { edgesFrom, edgesInto } from '../graph/walk';
import { joinsOf } from '../playback/joins';
import { laneIdOf } from '../rig/ids';
import { isAnalogue } from '../rig/medium';
import type { Device } from '../rig/rigSchema';
import type { WorkedScene } from '../scene/workedScene';

/** A converter channel at the end of the digital way of a host's output or input. */
export interface ConverterEnd {
  /** The analogue output of the converter, or its analogue input. */
  readonly lane: number;
  /** A matrix has to be turned for it. */
  readonly turns: boolean;
}

/** An output and an input of the host of one number, with the converter channels behind them. */
export interface HostChannel {
  readonly number: number;
  /** Lanes of the host; -1 where it has none of that number. */
  readonly output: number;
  readonly input: number;
  readonly dacs: readonly ConverterEnd[];
  readonly adcs: readonly ConverterEnd[];
}

/** Follows digital ways as they are joined, and as a matrix could join them, to analogue lanes. */
function converterEnds(
  graph: SignalGraph,
  devices: ReadonlyMap<string, Device>,
  start: number,
  direction: 'from' | 'to',
): readonly ConverterEnd[] {
  const found = new Map<number, ConverterEnd>();
  const seen = new Set([start]);
  // What is joined is followed first, so that it is not taken for something to be turned.
  const [joined, turned, later]: [number[], number[], number[]] = [[start], [], []];
  const walk = (lane: number, turns: boolean): void => {
    const here = graph.lanes[lane];
    if (here === undefined || seen.has(lane)) return;
    seen.add(lane);
    if (isAnalogue(here.medium)) found.set(lane, { lane, turns });
    else (turns ? turned : joined).push(lane);
  };
  const follow = (lane: number, turns: boolean): void => {
    const here = graph.lanes[lane];
    const device = here && devices.get(here.device);
    const edges = direction === 'from' ? edgesFrom(graph, lane) : edgesInto(graph, lane);
    for (const edge of edges)
      if (edge.track === undefined) walk(direction === 'from' ? edge.to : edge.from, turns);
    if (here === undefined || device === undefined) return;
    const joins = direction === 'from' ? joinsOf(device).outOf(here.id) : joinsOf(device).into(here.id);
    for (const join of joins)
      later.push(graph.laneIndex.get(direction === 'from' ? join.to : join.from) ?? -1);
  };
  for (const lane of joined) follow(lane, false);
  for (const lane of later.splice(0)) walk(lane, true);
  for (const lane of turned) {
    follow(lane, true);
    for (const next of later.splice(0)) walk(next, true);
  }
  return [...found.values()].sort((a, b) => Number(a.turns) - Number(b.turns) || a.lane - b.lane);
}

const known = new WeakMap<WorkedScene, readonly HostChannel[]>();

/** Every channel of the session's host, by number. Nothing without a host. */
export function hostChannels(context: WorkedScene): readonly HostChannel[] {
  const before = known.get(context);
  if (before !== undefined) return before;
  const { graph, devices, rig, session } = context;
  const host = hostOf(rig.devices, session);
  const channels: HostChannel[] = [];
  for (let number = 1; host !== undefined; number++) {
    const lane = (port: string): number => graph.laneIndex.get(laneIdOf(host.id, port, number)) ?? -1;
    const [output, input] = [lane('output'), lane('input')];
    if (output < 0 && input < 0) break;
    channels.push({
      ...{ number, output, input },
      dacs: output < 0 ? [] : converterEnds(graph, devices, output, 'from'),
      adcs: input < 0 ? [] : converterEnds(graph, devices, input, 'to'),
    });
  }
  known.set(context, channels);
  return channels;
}
