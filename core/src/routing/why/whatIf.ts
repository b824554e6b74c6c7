import type { Connector } from '../../rig/connector';
import type { LaneId, StockId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import { itemsFor } from '../demands';
import { Board } from '../solve/board';
import type { Way } from '../solve/way';
import { buildSpace } from '../space/buildSpace';
import { leadClass, leadsByClass } from '../space/leads';
import type { RoutingSpace } from '../space/routingSpace';

/** A scene, and a thread of it for which another rig or another scene is tried. */
export interface Question {
  readonly rig: Rig;
  readonly session: Session;
  readonly scene: Scene;
  readonly thread: Thread;
}

/** The way a thread would have with nobody else about. */
function aloneIn({
  rig,
  session,
  scene,
  thread,
}: Question): { readonly space: RoutingSpace; readonly way: Way } | undefined {
  const space = buildSpace(rig, session, { ...scene, cords: [] }, []);
  const board = new Board(space, itemsFor(space.graph, session, [thread], space.weights));
  const [way] = board.find(0) ?? [];
  return way && { space, way };
}

const lanesOf = ({ start, steps }: Way): readonly number[] => [
  ...new Set([start, ...steps.flatMap(({ from, to }) => [from, to])]),
];

/**
 * The jacks, held by cords planned by hand, that a thread would use if these cords were not there; undefined
 * where it would find no way even then.
 */
export function handHeldJacks(question: Question): readonly LaneId[] | undefined {
  const found = aloneIn(question);
  if (found === undefined) return undefined;
  const held = new Set(
    question.scene.cords.filter((cord) => cord.thread === undefined).flatMap(({ from, to }) => [from, to]),
  );
  const jacks = lanesOf(found.way)
    .flatMap((lane) => found.space.graph.lanes[lane]?.id ?? [])
    .filter((id) => held.has(id));
  return jacks.length === 0 ? undefined : jacks;
}

/** The faulty places a thread would run over if they worked; undefined where that would not help. */
export function faultyPlaces(question: Question): readonly LaneId[] | undefined {
  const { faults } = question.rig;
  const found =
    faults.length === 0 ? undefined : aloneIn({ ...question, rig: { ...question.rig, faults: [] } });
  if (found === undefined) return undefined;
  const faulty = new Set(faults.map(({ id }) => id));
  const places = lanesOf(found.way)
    .flatMap((lane) => found.space.graph.lanes[lane]?.id ?? [])
    .filter((id) => faulty.has(id));
  return places.length === 0 ? undefined : places;
}

/** Kinds of jack between which a cord can be bought or made. Loudspeaker lines are left out: see the caution there. */
const JOINABLE: readonly Connector[] = ['xlr', 'trs', 'tt', 'ts'];

/** A cord of a kind the rig does not have, and where it would have to go. */
export interface MissingLead {
  readonly from: LaneId;
  readonly to: LaneId;
  readonly connectors: readonly [from: Connector, to: Connector];
}

/** The first cord of a kind the rig does not have that a thread would need; undefined where that would not help. */
export function missingLead(question: Question): MissingLead | undefined {
  const known = leadsByClass(question.rig);
  const wished = JOINABLE.flatMap((a, i) =>
    JOINABLE.slice(i)
      .filter((b) => !known.has(leadClass(a, b)))
      .map((b) => ({
        ...{ id: `wished-${a}-${b}` as StockId, name: 'wished', colour: '' },
        ...{ connectors: [a, b] as [Connector, Connector], lengthM: 1, count: 99 },
      })),
  );
  const rig = { ...question.rig, cords: [...question.rig.cords, ...wished] };
  const found = aloneIn({ ...question, rig });
  if (found === undefined) return undefined;
  const { lanes } = found.space.graph;
  for (const step of found.way.steps) {
    if (step.kind !== 'cord' || !wished.some(({ id }) => id === step.lead.stock)) continue;
    const [from, to] = [lanes[step.from], lanes[step.to]];
    if (from !== undefined && to !== undefined)
      return { from: from.id, to: to.id, connectors: [from.connector, to.connector] };
  }
  return undefined;
}
