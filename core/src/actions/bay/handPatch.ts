import type { Edit } from '../../edits/make';
import { editAdd, editRemove, editSet } from '../../edits/make';
import type { WorkedScene } from '../../scene/workedScene';
import type { CordId, LaneId } from '../../rig/ids';
import { stocksLeft } from '../../routing/stocksLeft';
import type { Cord } from '../../session/sessionSchema';

/** A cord plugged by hand, or why it cannot be. */
export type HandPatch =
  | { readonly ok: true; readonly label: string; readonly edits: readonly Edit[] }
  | { readonly ok: false; readonly sentence: string };

const refuse = (sentence: string): HandPatch => ({ ok: false, sentence });

function freeId(cords: readonly Cord[]): CordId {
  const taken = new Set<string>(cords.map(({ id }) => id));
  for (let n = 1; ; n++) if (!taken.has(`hand-${n}`)) return `hand-${n}` as CordId;
}

/**
 * Plugs a cord between two jacks, whichever was picked up first: the shortest on the hook that fits.
 * Whether the connection is wise is for the checks to say; whether it can be made is said here.
 */
// eslint-disable-next-line max-lines-per-function -- one refusal after another, in the order a person would find them
export function plugByHand(context: WorkedScene, one: LaneId, other: LaneId): HandPatch {
  const { graph, rig, session, scene } = context;
  const [a, b] = [one, other].map((id) => graph.lanes[graph.laneIndex.get(id) ?? -1]);
  if (a === undefined || b === undefined) return refuse('That jack is not in the rig any more.');
  if (a.id === b.id)
    return refuse('Both ends of a cord do not fit into one jack. Choose another for the second.');
  for (const lane of [a, b]) {
    if (lane.face !== 'front') return refuse(`${lane.name} is not a front jack. Cords go into front jacks.`);
    if (graph.plugAt.has(lane.index))
      return refuse(`${lane.name} holds a plug already. Pull that cord first.`);
  }
  if (a.direction === b.direction)
    return refuse(
      a.direction === 'out'
        ? `${a.name} and ${b.name} both give a signal out; one of the two must take it. Choose a jack of the other kind.`
        : `${a.name} and ${b.name} both take a signal in, and nothing would feed them. Choose a jack of the other kind.`,
    );
  const [from, to] = a.direction === 'out' ? [a, b] : [b, a];
  const fits = ({ connectors: [x, y] }: (typeof rig.cords)[number]): boolean =>
    (x === from.connector && y === to.connector) || (y === from.connector && x === to.connector);
  const stock = stocksLeft(rig.cords, scene.cords).find(fits);
  if (stock === undefined) {
    const kind = `${from.connector.toUpperCase()} to ${to.connector.toUpperCase()}`;
    return refuse(
      rig.cords.some(fits)
        ? `No cord ${kind} is left on the hook. Free one, or raise the number in the rig.`
        : `The rig has no cord ${kind}. Add one to the cords, or use another jack.`,
    );
  }
  const item: Cord = { id: freeId(scene.cords), from: from.id, to: to.id, stock: stock.id };
  return {
    ok: true,
    label: `Patch ${from.name} to ${to.name}`,
    edits: [editAdd('cord', { session: session.id, scene: scene.id }, item)],
  };
}

/** Pulls the cord whose plug sits in a jack. */
export function pullByHand({ graph, session, scene }: WorkedScene, jack: LaneId): HandPatch {
  const id = graph.plugAt.get(graph.laneIndex.get(jack) ?? -1);
  const cord = scene.cords.find((each) => each.id === id);
  const name = (lane: LaneId): string => graph.lanes[graph.laneIndex.get(lane) ?? -1]?.name ?? lane;
  if (cord === undefined) return refuse(`${name(jack)} holds no plug.`);
  return {
    ok: true,
    label: `Pull ${name(cord.from)} from ${name(cord.to)}`,
    edits: [editRemove('cord', { session: session.id, scene: scene.id }, cord.id, cord)],
  };
}

/** Moves the plug that sits in one jack to another; the cord's other end stays where it is. */
export function moveByHand(context: WorkedScene, one: LaneId, other: LaneId): HandPatch {
  const { graph, session, scene } = context;
  const [a, b] = [one, other].map((id) => graph.lanes[graph.laneIndex.get(id) ?? -1]);
  const cord = scene.cords.find(({ id }) => id === graph.plugAt.get(a?.index ?? -1));
  if (a === undefined || b === undefined || cord === undefined) return plugByHand(context, one, other);
  if (b.face !== 'front' || graph.plugAt.has(b.index))
    return refuse(
      `${b.name} ${b.face === 'front' ? 'holds a plug already. Pull that cord first.' : 'is not a front jack. Cords go into front jacks.'}`,
    );
  if (a.direction !== b.direction || a.connector !== b.connector)
    return refuse(
      `The plug from ${a.name} does not go into ${b.name}. Choose a jack of the same kind and direction, or pull the cord.`,
    );
  const field = cord.from === a.id ? 'from' : 'to';
  const place = { session: session.id, scene: scene.id };
  return {
    ok: true,
    label: `Move the plug from ${a.name} to ${b.name}`,
    edits: [editSet('cord', place, cord.id, { field, value: b.id, was: a.id })],
  };
}
