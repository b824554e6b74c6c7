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

function run(context: CheckContext): readonly Finding[] {
  return [...wanted(context)].flatMap(([station, users]): Finding[] => {
    if (users.size < 2) return [];
    return [
      {
        rule: 'unit-used-twice',
        at: [
          { kind: 'station', id: station },
          ...[...users].map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
        ],
        figures: { station, count: users.size },
      },
    ];
  });
}

export const unitUsedTwice: Rule = {
  id: 'unit-used-twice',
  title: 'One unit for two threads',
  severity: 'error',
  stage: 'track',
  why: 'A preamp, processor channel or converter channel carries one signal at a time; two threads through it means one of them is lost.',
  limits: 'Threads of other scenes are not counted: scenes follow one another.',
  run,
};
