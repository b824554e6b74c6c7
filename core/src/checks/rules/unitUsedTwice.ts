import type { GraphStation } from '../../graph/signalGraph';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { StationId } from '../../rig/ids';
import type { CheckContext, PlannedThread } from '../context';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The way to a station: threads that come to it over the same edges from one source carry one signal. */
const wayTo = ({ start, path }: PlannedThread, station: GraphStation): string => {
  const end = path.findIndex(({ to }) => to === station.out);
  return [start, ...path.slice(0, end + 1).map(({ index }) => index)].join(' ');
};

/** The threads that want each station, by running through it, by an insert, or by a pin; one of each signal. */
function wanted({ threads }: CheckContext): ReadonlyMap<StationId, ReadonlySet<PlannedThread>> {
  const users = new Map<StationId, Map<string, PlannedThread>>();
  for (const planned of threads) {
    const signalAt = new Map(planned.stations.map((station) => [station.id, wayTo(planned, station)]));
    const passed = planned.complete ? [...signalAt.keys()] : [];
    const pinned = STATION_ROLES.flatMap((role) => planned.thread.pins[role] ?? []);
    for (const id of [...passed, ...planned.thread.inserts, ...pinned]) {
      const signals = users.get(id) ?? new Map<string, PlannedThread>();
      users.set(id, signals);
      const signal = signalAt.get(id) ?? planned.thread.id;
      if (!signals.has(signal)) signals.set(signal, planned);
    }
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

const run = (context: CheckContext): readonly Finding[] =>
  sharedBy(wanted(context)).map(({ stations, threads }) => ({
    rule: 'unit-used-twice',
    at: [
      ...stations.map((id) => ({ kind: 'station', id }) as const),
      ...threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
    ],
    figures: { stations, count: threads.length },
  }));

export const unitUsedTwice: Rule = {
  id: 'unit-used-twice',
  title: 'One unit for two threads',
  severity: 'error',
  stage: 'track',
  why: 'A preamp, processor channel or converter channel carries one signal at a time; two threads through it means one of them is lost.',
  limits: 'Threads of other scenes are not counted: scenes follow one another.',
  run,
};
