import type { Track } from '../../session/daw/trackSchema';
import type { GraphStation } from '../../graph/signalGraph';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { StationId } from '../../rig/ids';
import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The way to a station: threads that come to it over the same edges from one source carry one signal. */
const wayTo = ({ start, path }: PlannedThread, station: GraphStation): string => {
  const end = path.findIndex(({ to }) => to === station.out);
  return [start, ...path.slice(0, end + 1).map(({ index }) => index)].join(' ');
};

interface Wish {
  readonly station: StationId;
  readonly signal: string;
}

/** A thread that nothing has changed for is the same object from one check to the next. */
const knownWishes = new WeakMap<PlannedThread, readonly Wish[]>();

/** The stations a thread wants, by running through them, by an insert, or by a pin, and the signal it brings. */
function wishesOf(planned: PlannedThread): readonly Wish[] {
  const known = knownWishes.get(planned);
  if (known !== undefined) return known;
  const signalAt = new Map(planned.stations.map((station) => [station.id, wayTo(planned, station)]));
  const passed = planned.complete ? [...signalAt.keys()] : [];
  const pinned = STATION_ROLES.flatMap((role) => planned.thread.pins[role] ?? []);
  const wishes = [...passed, ...planned.thread.inserts, ...pinned].map((station) => ({
    station,
    signal: signalAt.get(station) ?? planned.thread.id,
  }));
  knownWishes.set(planned, wishes);
  return wishes;
}

/** The threads that want each station; one of each signal. */
function wanted({ threads }: WorkedScene): ReadonlyMap<StationId, ReadonlySet<PlannedThread>> {
  const users = new Map<StationId, Map<string, PlannedThread>>();
  for (const planned of threads)
    for (const { station, signal } of wishesOf(planned)) {
      const signals = users.get(station) ?? new Map<string, PlannedThread>();
      users.set(station, signals);
      if (!signals.has(signal)) signals.set(signal, planned);
    }
  return new Map([...users].map(([id, signals]) => [id, new Set(signals.values())]));
}

/** Stations shared by the same threads have one cause, so they make one finding. */
function sharedBy(
  users: ReadonlyMap<StationId, ReadonlySet<PlannedThread>>,
): readonly { readonly stations: readonly StationId[]; readonly threads: readonly PlannedThread[] }[] {
  const groups = new Map<string, { stations: StationId[]; threads: readonly PlannedThread[] }>();
  for (const [station, planned] of users) {
    if (planned.size < 2) continue;
    const threads = [...planned];
    const key = threads.map(({ thread }) => thread.id).join(' ');
    const group = groups.get(key);
    if (group === undefined) groups.set(key, { stations: [station], threads });
    else group.stations.push(station);
  }
  return [...groups.values()];
}

const onThreads = (context: WorkedScene): readonly Finding[] =>
  sharedBy(wanted(context)).map(({ stations, threads }) => ({
    rule: 'unit-used-twice',
    at: [
      ...stations.map((id) => ({ kind: 'station', id }) as const),
      ...threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
    ],
    figures: { stations, count: threads.length },
  }));

interface PairUse {
  readonly track: Track;
  /** The slot is in use: neither off, nor on a track that is muted. */
  readonly isActive: boolean;
}

/** Hardware slots by the first number of the pair they send over. */
function slotsByPair({ session }: WorkedScene): ReadonlyMap<number, readonly PairUse[]> {
  const pairs = new Map<number, PairUse[]>();
  for (const track of session.tracks)
    for (const slot of track.inserts)
      if (slot?.kind === 'hardware') {
        const use = { track, isActive: !track.muted && slot.off !== true };
        pairs.set(slot.send, [...(pairs.get(slot.send) ?? []), use]);
      }
  return pairs;
}

/** Pairs of the host in several slots: never at once, and on some hosts not even one after the other. */
function onPairs(context: WorkedScene): readonly Finding[] {
  const { reusePair } = context.session.hostProfile;
  return [...slotsByPair(context)].flatMap(([send, uses]): readonly Finding[] => {
    const active = uses.filter(({ isActive }) => isActive);
    const atOnce = active.length > 1;
    if (uses.length < 2 || (reusePair && !atOnce)) return [];
    const meant = atOnce ? active : uses;
    return [
      {
        rule: 'unit-used-twice',
        at: [...new Set(meant.map(({ track }) => track.id))].map((id) => ({ kind: 'track', id })),
        figures: { stations: [], count: meant.length, pair: { send, atOnce } },
      },
    ];
  });
}

const run = (context: WorkedScene): readonly Finding[] => [...onThreads(context), ...onPairs(context)];

export const unitUsedTwice: Rule = {
  id: 'unit-used-twice',
  title: 'One unit for two threads',
  severity: 'error',
  stage: 'track',
  why: 'A preamp, processor channel or converter channel carries one signal at a time; two threads through it means one of them is lost.',
  limits:
    'Threads of other scenes are not counted: scenes follow one another. Hardware slots that are off, or on muted tracks, are not in use; whether a host gives one pair to two slots at all is its profile’s word.',
  run,
};
