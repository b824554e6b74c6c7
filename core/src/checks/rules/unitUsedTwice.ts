import type { GraphStation } from '../../graph/signalGraph';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { StationId } from '../../rig/ids';
import type { CheckContext, PlannedThread } from '../context';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The threads that want each station: by running through it, by an insert, or by a pin. */
function wanted({ threads }: CheckContext): ReadonlyMap<StationId, ReadonlySet<PlannedThread>> {
  const users = new Map<StationId, Set<PlannedThread>>();
  for (const planned of threads) {
    const passed = planned.complete ? planned.stations.map((station: GraphStation) => station.id) : [];
    const pinned = STATION_ROLES.flatMap((role) => planned.thread.pins[role] ?? []);
    for (const id of [...passed, ...planned.thread.inserts, ...pinned])
      users.set(id, (users.get(id) ?? new Set()).add(planned));
  }
  return users;
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
