import type { Lane, SignalGraph } from '@ft/core/graph/signalGraph';
import { BadInput } from './badInput';

const MOST_SUGGESTIONS = 5;

/** The lane of an id or a name; otherwise an error that suggests what comes nearest. */
export function laneNamed(graph: SignalGraph, wanted: string): Lane {
  const plain = wanted.trim().toLowerCase();
  const found = graph.lanes.find((lane) => lane.id === plain || lane.name.toLowerCase() === plain);
  if (found !== undefined) return found;
  const near = graph.lanes.filter(
    (lane) => lane.name.toLowerCase().includes(plain) || lane.id.includes(plain),
  );
  const names = near.slice(0, MOST_SUGGESTIONS).map((lane) => `“${lane.name}” (${lane.id})`);
  const hint =
    names.length > 0
      ? `Did you mean ${names.join(', ')}?`
      : 'A port is a lane id such as bay-a/upper-3/1, or its name.';
  throw new BadInput(`There is no port “${wanted}”. ${hint}`);
}
