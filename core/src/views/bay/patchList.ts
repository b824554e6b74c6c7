import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { Naming } from '../../words/naming';
import { namingOf } from '../../words/naming';
import { threadName } from '../../session/threadName';
import type { Edge } from '../../graph/signalGraph';
import type { CordId } from '../../rig/ids';
import { isPlugged } from '../../session/onFloor';
import type { Cord } from '../../session/sessionSchema';

/** One cord of the patch list, in words. */
export interface PatchLine {
  readonly cord: CordId;
  readonly room: string;
  readonly from: string;
  readonly to: string;
  /** Kind, length and colour: "TT patch cord, 0.6 m, red". */
  readonly cordKind: string;
  readonly thread: string;
  /** Normals that the two plugs open. */
  readonly breaks: readonly string[];
  readonly why: string;
  readonly plugged: boolean;
}

const NUMBERS = new Intl.Collator('en', { numeric: true });

/** The unit a thread reaches next after a hop: the reason the cord there is. A room jack is only on the way. */
function whyAt(planned: PlannedThread, at: number): Pick<PatchLine, 'thread' | 'why'> {
  const onward = planned.path.slice(at + 1);
  const next = planned.stations.find(
    (station) =>
      station.role !== 'room-jack' &&
      onward.some((edge) => edge.from === station.in && edge.to === station.out),
  );
  return {
    thread: threadName(planned.thread),
    why: next === undefined ? 'end of the thread' : `on to ${next.name}`,
  };
}

/** What the lines of a list look up: the first thread over each cord, and the normals each jack opens. */
interface PatchIndex {
  readonly naming: Naming;
  readonly use: ReadonlyMap<CordId, { readonly planned: PlannedThread; readonly at: number }>;
  readonly opened: ReadonlyMap<number, readonly Edge[]>;
}

function indexOf({ rig, session, graph, threads }: WorkedScene): PatchIndex {
  const use = new Map<CordId, { planned: PlannedThread; at: number }>();
  for (const planned of threads)
    planned.path.forEach(({ cord }, at) => {
      if (cord !== undefined && !use.has(cord)) use.set(cord, { planned, at });
    });
  const opened = new Map<number, Edge[]>();
  for (const jack of graph.plugAt.keys()) opened.set(jack, []);
  for (const edge of graph.edges) for (const jack of edge.openedBy) opened.get(jack)?.push(edge);
  return { naming: namingOf(rig, session, graph), use, opened };
}

/** A normal by its column: what the names of its two ends have in common ("Bay A 10"). */
function normalName(from: string, to: string): string {
  const [a, b] = [from.split(' '), to.split(' ')];
  const different = a.findIndex((word, i) => word !== b[i]);
  return different > 0 ? a.slice(0, different).join(' ') : `${from} to ${to}`;
}

function lineOf(context: WorkedScene, { naming, use, opened }: PatchIndex, cord: Cord): PatchLine {
  const { rig, graph } = context;
  const stock = rig.cords.find((candidate) => candidate.id === cord.stock);
  const ends = [cord.from, cord.to].map((id) => graph.laneIndex.get(id) ?? -1);
  const normals = new Set(ends.flatMap((jack) => opened.get(jack) ?? []));
  const room = graph.lanes[ends[0] ?? -1]?.room;
  const used = use.get(cord.id);
  return {
    cord: cord.id,
    room: rig.rooms.find((candidate) => candidate.id === room)?.name ?? '',
    from: naming.lane(cord.from),
    to: naming.lane(cord.to),
    cordKind:
      stock === undefined
        ? ''
        : [stock.name, `${String(stock.lengthM)} m`, stock.colour].filter((part) => part !== '').join(', '),
    ...(used === undefined ? { thread: '', why: 'no thread uses it' } : whyAt(used.planned, used.at)),
    breaks: [...normals]
      .sort((a, b) => a.index - b.index)
      .map((edge) => normalName(graph.lanes[edge.from]?.name ?? '', graph.lanes[edge.to]?.name ?? '')),
    plugged: isPlugged(context.floor, cord),
  };
}

/** The cords of a scene, room by room and jack by jack: what to plug, and why. */
export function patchList(context: WorkedScene): readonly PatchLine[] {
  const index = indexOf(context);
  return context.scene.cords
    .map((cord) => lineOf(context, index, cord))
    .sort((a, b) => NUMBERS.compare(a.room, b.room) || NUMBERS.compare(a.from, b.from));
}
