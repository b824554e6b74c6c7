import { hostOf } from '../../graph/dawTracks';
import { reach } from '../../graph/reach';
import type { GraphStation } from '../../graph/signalGraph';
import { laneIdOf } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';
import { sumInputs } from './sumInputs';

/** What is heard of a sum against what is printed of it; nothing where it comes to one of them alone. */
export interface HeardPrinted {
  /** Units on the way to the loudspeakers that the print does not pass, by name. */
  readonly heardOnly: readonly string[];
  readonly printedOnly: readonly string[];
}

/** The inputs of the host the print track records. */
function printInputs({ graph, rig, session }: WorkedScene, sum: Sum): readonly number[] {
  const track = session.tracks.find(({ id }) => id === sum.print);
  const host = hostOf(rig.devices, session);
  if (track?.input.from !== 'host' || host === undefined) return [];
  const { first } = track.input;
  return Array.from({ length: track.width }, (_, i) =>
    graph.laneIndex.get(laneIdOf(host.id, 'input', first + i)),
  ).filter((lane) => lane !== undefined);
}

const speakerInputs = ({ graph, devices }: WorkedScene): readonly number[] =>
  graph.lanes
    .filter(({ device, direction }) => direction === 'in' && devices.get(device)?.type === 'loudspeaker')
    .map(({ index }) => index);

/**
 * Which units stand between a sum and the loudspeakers, and which between it and its print: what is processed for the
 * ears alone is not in the file, and what is printed and not heard surprises later.
 */
export function heardPrinted(context: WorkedScene, sum: Sum): HeardPrinted {
  const { graph, devices } = context;
  const inputs = sumInputs(context, sum).map(({ lane }) => lane);
  const behind = reach(graph, inputs, 'from');
  const unitsTowards = (ends: readonly number[]): ReadonlySet<string> | undefined => {
    const reached = ends.filter((lane) => behind.has(lane));
    if (reached.length === 0) return undefined;
    const towards = reach(graph, reached, 'to');
    const passes = ({ role, in: into, out }: GraphStation): boolean =>
      role === 'processor' && behind.has(into) && towards.has(out);
    return new Set(graph.stations.filter(passes).map(({ device }) => devices.get(device)?.name ?? device));
  };
  const heard = unitsTowards(speakerInputs(context));
  const printed = unitsTowards(printInputs(context, sum));
  const without = (all: ReadonlySet<string> | undefined, others: ReadonlySet<string> | undefined) =>
    all === undefined || others === undefined ? [] : [...all].filter((name) => !others.has(name));
  return { heardOnly: without(heard, printed), printedOnly: without(printed, heard) };
}
