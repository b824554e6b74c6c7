import type { CheckContext } from '../checks/context';
import { namingOf, threadName } from '../checks/naming';
import type { CordId } from '../rig/ids';
import { isPlugged } from '../session/onFloor';
import type { Cord } from '../session/sessionSchema';

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

/** The unit a thread reaches next after a cord: the reason the cord is there. A room jack is only on the way. */
function whyOf(context: CheckContext, cord: Cord): { thread: string; why: string } {
  for (const planned of context.threads) {
    const at = planned.path.findIndex((edge) => edge.cord === cord.id);
    if (at < 0) continue;
    const onward = planned.path.slice(at + 1);
    const next = planned.stations.find(
      (station) =>
        station.role !== 'room-jack' &&
        onward.some((edge) => edge.from === station.in && edge.to === station.out),
    );
    const thread = threadName(planned.thread);
    return { thread, why: next === undefined ? 'end of the thread' : `on to ${next.name}` };
  }
  return { thread: '', why: 'no thread uses it' };
}

/** A normal by its column: what the names of its two ends have in common ("Bay A 10"). */
function normalName(from: string, to: string): string {
  const [a, b] = [from.split(' '), to.split(' ')];
  const different = a.findIndex((word, i) => word !== b[i]);
  return different > 0 ? a.slice(0, different).join(' ') : `${from} to ${to}`;
}

function lineOf(context: CheckContext, cord: Cord): PatchLine {
  const { rig, session, graph } = context;
  const naming = namingOf(rig, session, graph);
  const stock = rig.cords.find((candidate) => candidate.id === cord.stock);
  const ends = [cord.from, cord.to].map((id) => graph.laneIndex.get(id) ?? -1);
  const opened = graph.edges.filter((edge) => edge.openedBy.some((jack) => ends.includes(jack)));
  const room = graph.lanes[ends[0] ?? -1]?.room;
  return {
    cord: cord.id,
    room: rig.rooms.find((candidate) => candidate.id === room)?.name ?? '',
    from: naming.lane(cord.from),
    to: naming.lane(cord.to),
    cordKind:
      stock === undefined
        ? ''
        : [stock.name, `${String(stock.lengthM)} m`, stock.colour].filter((part) => part !== '').join(', '),
    ...whyOf(context, cord),
    breaks: opened.map((edge) =>
      normalName(graph.lanes[edge.from]?.name ?? '', graph.lanes[edge.to]?.name ?? ''),
    ),
    plugged: isPlugged(context.floor, cord),
  };
}

/** The cords of a scene, room by room and jack by jack: what to plug, and why. */
export function patchList(context: CheckContext): readonly PatchLine[] {
  return context.scene.cords
    .map((cord) => lineOf(context, cord))
    .sort((a, b) => NUMBERS.compare(a.room, b.room) || NUMBERS.compare(a.from, b.from));
}
