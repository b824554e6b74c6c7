import type { WorkedScene } from '../../scene/workedScene';
import type { EdgeKind, SignalGraph } from '../../graph/signalGraph';
import { edgesFrom } from '../../graph/walk';
import type { DeviceId } from '../../rig/ids';
import { rangesText } from '../../text/rangesText';

/** A device in the diagram. */
export interface FlowNode {
  readonly id: DeviceId;
  readonly name: string;
  readonly room: string;
  /** Steps from the device in the middle; 0 is that one. */
  readonly steps: number;
}

/** All signals that go from one device to another, over whatever copper. */
export interface FlowLink {
  readonly from: DeviceId;
  readonly to: DeviceId;
  readonly lanes: number;
  /** "line out 1–8 → in 1–8": the connectors, where they are few. */
  readonly text: string;
  /** The loosest kind on the way: a cord is looser than a normal, a normal than a wire. */
  readonly kind: EdgeKind;
}

export interface FlowGraph {
  readonly nodes: readonly FlowNode[];
  readonly links: readonly FlowLink[];
}

interface Reach {
  readonly from: number;
  readonly to: number;
  readonly kind: EdgeKind;
}

const LOOSENESS: readonly EdgeKind[] = ['route', 'crosspoint', 'hardwire', 'tieLine', 'normal', 'cord'];
const looser = (a: EdgeKind, b: EdgeKind): EdgeKind => (LOOSENESS.indexOf(a) > LOOSENESS.indexOf(b) ? a : b);

/** From every output with electronics the inputs it feeds over copper: bays and panels are only on the way. */
function reaches(graph: SignalGraph): readonly Reach[] {
  const found: Reach[] = [];
  for (const lane of graph.lanes) {
    if (lane.direction !== 'out' || lane.medium === 'any' || lane.face === 'inside') continue;
    const kinds = new Map<number, EdgeKind>([[lane.index, 'route']]);
    for (const [at, kind] of kinds)
      for (const edge of edgesFrom(graph, at)) {
        if (!edge.passive || kinds.has(edge.to)) continue;
        const onward = looser(kind, edge.kind);
        kinds.set(edge.to, onward);
        const far = graph.lanes[edge.to];
        if (far !== undefined && far.medium !== 'any')
          found.push({ from: lane.index, to: edge.to, kind: onward });
      }
  }
  return found;
}

/** "line in 1", "line in 2" as "line in 1–2". */
function namesText(names: readonly string[]): string {
  const rows = new Map<string, number[]>();
  for (const name of names) {
    const number = /\d+(?=\D*$)/.exec(name);
    const row =
      number === null
        ? name
        : `${name.slice(0, number.index)}#${name.slice(number.index + number[0].length)}`;
    rows.set(row, [...(rows.get(row) ?? []), ...(number === null ? [] : [Number(number[0])])]);
  }
  return [...rows]
    .map(([row, numbers]) => row.replace('#', rangesText(numbers.sort((a, b) => a - b))))
    .join(', ');
}

/** Links between devices, all lanes of two devices as one. */
function linksOf(context: WorkedScene): readonly FlowLink[] {
  const { graph, rig } = context;
  const names = new Map(rig.devices.map(({ id, name }) => [id, name]));
  const groups = new Map<string, Reach[]>();
  for (const reach of reaches(graph)) {
    const [from, to] = [graph.lanes[reach.from], graph.lanes[reach.to]];
    if (from === undefined || to === undefined || from.device === to.device) continue;
    const key = `${from.device} ${to.device}`;
    groups.set(key, [...(groups.get(key) ?? []), reach]);
  }
  const short = (lane: number): string => {
    const it = graph.lanes[lane];
    const device = it === undefined ? '' : (names.get(it.device) ?? '');
    return it?.name.slice(device.length).trim() ?? '';
  };
  return [...groups].map(([key, group]) => {
    const [from, to] = key.split(' ') as [DeviceId, DeviceId];
    const ends = [
      namesText(group.map((each) => short(each.from))),
      namesText(group.map((each) => short(each.to))),
    ];
    return {
      from,
      to,
      lanes: group.length,
      text: ends.map((end) => (end === '' ? 'out' : end)).join(' → '),
      kind: group.map(({ kind }) => kind).reduce(looser),
    };
  });
}

/**
 * The neighbourhood of a device: what it hears and what hears it, so many steps away.
 * @param steps how far to look, 1 to 4.
 */
export function flowGraph(context: WorkedScene, middle: DeviceId, steps: number): FlowGraph {
  const links = linksOf(context);
  const distance = new Map<DeviceId, number>([[middle, 0]]);
  for (let step = 1; step <= steps; step++)
    for (const { from, to } of links)
      for (const [near, far] of [
        [from, to],
        [to, from],
      ] as const)
        if (distance.get(near) === step - 1 && !distance.has(far)) distance.set(far, step);
  const { rig } = context;
  const room = (id: string): string => rig.rooms.find((each) => each.id === id)?.name ?? '';
  return {
    nodes: rig.devices
      .filter(({ id }) => distance.has(id))
      .map((device) => ({
        id: device.id,
        name: device.name,
        room: room(device.room),
        steps: distance.get(device.id) ?? 0,
      })),
    links: links.filter(({ from, to }) => distance.has(from) && distance.has(to)),
  };
}
