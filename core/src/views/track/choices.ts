import { endsWhereNamed } from '../../session/purposes';
import type { Lane, SignalGraph } from '../../graph/signalGraph';
import { namingOf } from '../../words/naming';
import { threadName } from '../../session/threadName';
import { obstacleSentence } from '../../words/obstacleWording';
import type { PinRole } from '../../rig/deviceModel';
import type { LaneId, StationId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { Obstacle } from '../../routing/why/obstacle';
import { trialsFor } from '../../routing/trial';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';
import { nameMatches } from '../../text/nameMatch';
import { sourceName } from '../../words/sourceNames';

/** Something that could go into a cell. */
export interface Choice {
  /** A lane id for a microphone, a station id for everything else. */
  readonly id: string;
  readonly name: string;
  /** Cords the thread would need with this choice. */
  readonly cords?: number;
  /** What choosing it would mean for other threads. */
  readonly note?: string;
  /** Why it cannot be chosen. */
  readonly because?: string;
}

/** Which cell is asked about: the microphone, or a station of a role. */
export type ChoiceField = 'from' | PinRole;

/** Longer lists are cut; typing more narrows them. */
export const MOST_CHOICES = 60;

/** A thread as it would be with something in a cell. */
export const withChoice = (thread: Thread, field: PinRole, id: string): Thread =>
  field === 'processor'
    ? { ...thread, inserts: [...thread.inserts, id as Thread['inserts'][number]] }
    : { ...thread, pins: { ...thread.pins, [field]: id } };

/** What stands behind the free ones, and what stands last. */
const AFTER_FREE = Number.MAX_VALUE;

const byCost = (a: { cost: number }, b: { cost: number }): number => a.cost - b.cost;

/** Where it is other threads that hold a unit, and none is pinned to it: they can be moved. */
export function movableHolders(
  session: Session,
  obstacle: Obstacle,
  station: StationId,
): readonly string[] | undefined {
  if (obstacle.code !== 'held') return undefined;
  const holders = obstacle.holders.map(({ thread }) => session.threads.find(({ id }) => id === thread));
  const movable = holders.every(
    (holder) =>
      holder !== undefined &&
      !Object.values(holder.pins).includes(station) &&
      !holder.inserts.includes(station),
  );
  return movable
    ? [...new Set(holders.flatMap((holder) => (holder === undefined ? [] : [threadName(holder)])))]
    : undefined;
}

/** Microphones for inputs, DAW outputs for inserts, any output for feeds. */
function isSource(graph: SignalGraph, { purpose }: Thread): (lane: Lane) => boolean {
  if (purpose === 'input') return ({ microphone }) => microphone !== undefined;
  if (endsWhereNamed(purpose)) return ({ direction, face }) => direction === 'out' && face !== 'inside';
  const outputs = new Set(graph.stations.filter(({ role }) => role === 'daw-output').map((each) => each.out));
  return ({ index }) => outputs.has(index);
}

/** Where a thread may begin, each by the name its cell shows. */
export const sourcesOf = (
  graph: SignalGraph,
  thread: Thread,
): readonly { readonly id: LaneId; readonly name: string }[] =>
  graph.lanes
    .filter(isSource(graph, thread))
    .map(({ id, index, name }) => ({ id, name: sourceName(graph, index) ?? name }));

function sources(
  graph: SignalGraph,
  active: readonly Thread[],
  thread: Thread,
  text: string,
): readonly Choice[] {
  const users = new Map(active.filter((other) => other.id !== thread.id).map((other) => [other.from, other]));
  const lanes = sourcesOf(graph, thread).filter(({ name }) => nameMatches(name, text));
  const choices = lanes.map(({ id, name }): Choice => {
    const user = users.get(id);
    return {
      id,
      name,
      ...(user && { note: `on line ${user.number} already: both take its signal` }),
    };
  });
  return choices.sort((a, b) => Number(a.note !== undefined) - Number(b.note !== undefined));
}

/**
 * What can go into a cell of the input list, cheapest first; then what others would have to move for;
 * what cannot go there stands at the end with the reason. Each choice is tried by routing the thread with
 * it. Names are matched word by word.
 */
export function choicesFor(
  rig: Rig,
  session: Session,
  scene: Scene,
  thread: Thread,
  field: ChoiceField,
  text: string,
): readonly Choice[] {
  const { graph, trial } = trialsFor(rig, session, scene, thread.id);
  if (field === 'from') return sources(graph, threadsIn(session, scene), thread, text).slice(0, MOST_CHOICES);

  const naming = namingOf(rig, session, graph);
  const candidates = graph.stations
    .filter((station) => station.role === field && nameMatches(station.name, text))
    .slice(0, MOST_CHOICES);
  return candidates
    .map((station) => {
      const tried = trial(withChoice(thread, field, station.id));
      const base = { id: station.id, name: station.name };
      if (tried.found) return { cost: tried.cost, choice: { ...base, cords: tried.cords } };
      const holders = movableHolders(session, tried.obstacle, station.id);
      if (holders !== undefined) {
        const note = `Held by ${holders.join(', ')}, which moves if there is room elsewhere.`;
        return { cost: AFTER_FREE, choice: { ...base, note } };
      }
      return { cost: Infinity, choice: { ...base, because: obstacleSentence(tried.obstacle, naming) } };
    })
    .sort((a, b) => (a.cost === b.cost ? 0 : byCost(a, b)))
    .map(({ choice }) => choice);
}
