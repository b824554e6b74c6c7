import type { GraphStation } from '../graph/signalGraph';
import type { WorkedScene } from '../scene/workedScene';

/** What stands in a chain under one name: a unit with its channels in order, or a loop of a switcher with its sides. */
export interface OutboardUnit {
  readonly name: string;
  readonly stations: readonly GraphStation[];
}

const known = new WeakMap<WorkedScene['graph'], readonly OutboardUnit[]>();

/** All that chains can be made of, in the order of the rig. */
export function outboardUnits({ devices, graph }: WorkedScene): readonly OutboardUnit[] {
  const before = known.get(graph);
  if (before !== undefined) return before;
  const units = new Map<string, { name: string; stations: GraphStation[] }>();
  for (const station of graph.stations) {
    const { role, device, channel } = station;
    if (role !== 'processor' && role !== 'loop') continue;
    const own = devices.get(device)?.name ?? device;
    const name = role === 'loop' ? `${own} loop ${String(channel)}` : own;
    const unit = units.get(name) ?? { name, stations: [] };
    unit.stations.push(station);
    units.set(name, unit);
  }
  const found = [...units.values()];
  known.set(graph, found);
  return found;
}
