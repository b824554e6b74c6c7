import type { Lane, SignalGraph } from '../../graph/signalGraph';
import { ranked } from '../../text/nameMatch';

/** Where a typed line starts: a microphone, or two for a stereo line; a DAW output; for feeds any output. */
export interface TypedStart {
  readonly what: 'microphone' | 'output';
  readonly lanes: readonly Pick<Lane, 'id' | 'name'>[];
}

const best = (lanes: readonly Lane[], text: string): Lane | undefined =>
  ranked(lanes, ({ name }) => name, text)[0];

/** The outputs of the DAW, named as its stations are. */
function dawOutput(graph: SignalGraph, text: string): TypedStart['lanes'][number] | undefined {
  const stations = graph.stations.filter(({ role }) => role === 'daw-output');
  const station = ranked(stations, ({ name }) => name, text)[0];
  const lane = graph.lanes[station?.out ?? -1];
  return station && lane && { id: lane.id, name: station.name };
}

/**
 * Understands the first piece of a typed line.
 * @param isFeed any output may start a line that ends in an input.
 */
export function startOf(graph: SignalGraph, text: string, isFeed: boolean): TypedStart | undefined {
  const microphones = graph.lanes.filter(({ microphone }) => microphone !== undefined);
  const sides = text.split('+').map((side) => side.trim());
  const found = sides.map((side) => (side === '' ? undefined : best(microphones, side)));
  const lanes = found.filter((lane): lane is Lane => lane !== undefined);
  if (lanes.length === sides.length && lanes.length <= 2) return { what: 'microphone', lanes };
  if (sides.length > 1) return undefined;
  const daw = dawOutput(graph, text);
  if (daw !== undefined) return { what: 'output', lanes: [daw] };
  const outputs = graph.lanes.filter(({ direction, face }) => direction === 'out' && face !== 'inside');
  const output = isFeed ? best(outputs, text) : undefined;
  return output && { what: 'output', lanes: [output] };
}
