import type { WorkedScene } from '../../scene/workedScene';
import { threadName } from '../../session/threadName';
import type { Edge, SignalGraph } from '../../graph/signalGraph';
import { edgesFrom } from '../../graph/walk';
import { bayColumns } from '../../rig/catalogue/panels/patchbay';
import type { BayParams } from '../../rig/catalogue/panels/patchbay';
import type { BayColumn, BayFace, Normalling } from '../../rig/catalogue/panels/bayColumn';
import type { CordId, DeviceId, LaneId, StockId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import { floorScene } from '../../repatch/floorScene';
import { isPlugged } from '../../session/onFloor';

/** A front jack of a bay. */
export interface BayJack {
  readonly lane: LaneId;
  readonly direction: 'in' | 'out';
  /** What the label strip says. */
  readonly label: string;
  /** What is wired behind its row, by name. */
  readonly behind: string;
  readonly cord?: CordId;
  /** The thread that runs through it. */
  readonly thread?: string;
  /** It does not work until somebody mends it. */
  readonly faulty?: true;
}

/** One column: two jacks and what joins them. */
export interface BayColumnView {
  readonly number: number;
  readonly normalling: Normalling;
  /** Whether the normal conducts; always true of parallel columns, never of isolated ones. */
  readonly closed: boolean;
  /** The row whose plug opens a half normal. */
  readonly opens: 'upper' | 'lower';
  readonly upper: BayJack;
  readonly lower: BayJack;
}

/** A bay as it is mounted. */
export interface BayViewModel {
  readonly id: DeviceId;
  readonly name: string;
  readonly room: string;
  readonly columns: readonly BayColumnView[];
}

/** A cord between two jacks, or from a jack to a connector that is on no bay. */
export interface BayCord {
  readonly id: CordId;
  readonly from: LaneId;
  readonly to: LaneId;
  /** Really in its jacks. */
  readonly plugged: boolean;
  /** False where it is on the floor and the scene does not want it. */
  readonly wanted: boolean;
  readonly colour: string;
}

/** Every bay of the rig with the patch of the scene. */
export interface BaysView {
  readonly bays: readonly BayViewModel[];
  readonly cords: readonly BayCord[];
}

/** The connector at the far end of the wire behind a row. */
function behind(graph: SignalGraph, rear: number): string {
  const { incoming, outgoing } = graph;
  for (const { start, edge } of [incoming, outgoing])
    for (let i = start[rear] ?? 0; i < (start[rear + 1] ?? 0); i++) {
      const at: Edge | undefined = graph.edges[edge[i] ?? -1];
      if (at?.hardwire !== undefined) return graph.lanes[at.from === rear ? at.to : at.from]?.name ?? '';
    }
  return '';
}

/** Which thread runs through each lane. */
function threadsByLane(context: WorkedScene): ReadonlyMap<number, string> {
  const byLane = new Map<number, string>();
  for (const { thread, start, path } of context.threads) {
    byLane.set(start, threadName(thread));
    for (const edge of path) byLane.set(edge.to, threadName(thread));
  }
  return byLane;
}

/** What the jacks of one bay are read from. */
interface BayReader {
  readonly context: WorkedScene;
  readonly device: Device;
  readonly params: BayParams;
  readonly threads: ReadonlyMap<number, string>;
}

function laneOf({ context, device }: BayReader, face: BayFace, number: number): number {
  return context.graph.laneIndex.get(laneIdOf(device.id, `${face}-${number}`, 1)) ?? -1;
}

function jackOf(reader: BayReader, row: 'upper' | 'lower', number: number): BayJack {
  const { context, device, params, threads } = reader;
  const { graph } = context;
  const [front, rear] = [laneOf(reader, row, number), laneOf(reader, `${row}-rear`, number)];
  const cord = graph.plugAt.get(front);
  const thread = threads.get(front) ?? threads.get(rear);
  return {
    lane: laneIdOf(device.id, `${row}-${number}`, 1),
    direction: graph.lanes[front]?.direction ?? 'in',
    label: params.labels[`${row}-${number}`] ?? '',
    behind: behind(graph, rear),
    ...(cord && { cord }),
    ...(thread !== undefined && { thread }),
    ...(graph.faulty.has(front) && { faulty: true as const }),
  };
}

function columnOf(reader: BayReader, column: BayColumn, number: number): BayColumnView {
  const { graph } = reader.context;
  const source = column.upper === 'source' ? 'upper' : 'lower';
  const ways = edgesFrom(graph, laneOf(reader, `${source}-rear`, number));
  return {
    number,
    normalling: column.normalling,
    // Whether the normal conducts is the graph's word; a closed one leads on from the source's rear.
    closed: column.normalling === 'parallel' || ways.some(({ kind }) => kind === 'normal'),
    opens: source === 'upper' ? 'lower' : 'upper',
    upper: jackOf(reader, 'upper', number),
    lower: jackOf(reader, 'lower', number),
  };
}

function bayOf(context: WorkedScene, device: Device, threads: ReadonlyMap<number, string>): BayViewModel {
  const params = device.params as BayParams;
  const reader = { context, device, params, threads };
  return {
    id: device.id,
    name: device.name,
    room: context.rig.rooms.find(({ id }) => id === device.room)?.name ?? '',
    columns: bayColumns(params).map((column, i) => columnOf(reader, column, i + 1)),
  };
}

/** The cords the scene wants, and those on the floor that it does not. */
function cordsOf({ rig, scene, floor }: WorkedScene): readonly BayCord[] {
  const colourOf = (stock: StockId): string => rig.cords.find((each) => each.id === stock)?.colour ?? '';
  const wanted = scene.cords.map((cord): BayCord => {
    const { id, from, to, stock } = cord;
    return { id, from, to, plugged: isPlugged(floor, cord), wanted: true, colour: colourOf(stock) };
  });
  const isWanted = (from: LaneId, to: LaneId): boolean =>
    scene.cords.some((cord) => cord.from === from && cord.to === to);
  const others = floorScene(floor).cords.filter(({ from, to }) => !isWanted(from, to));
  return [
    ...wanted,
    ...others.map(({ id, from, to, stock }): BayCord => ({
      ...{ id, from, to, plugged: true, wanted: false, colour: colourOf(stock) },
    })),
  ];
}

/** The bays as mounted, with every jack, normal and cord of the scene. */
export function baysView(context: WorkedScene): BaysView {
  const { rig } = context;
  const threads = threadsByLane(context);
  return {
    bays: rig.devices
      .filter(({ type }) => type === 'patchbay')
      .map((device) => bayOf(context, device, threads)),
    cords: cordsOf(context),
  };
}
