import { deviceIdIn } from '../../../rig/ids';
import { settingKeyOf } from '../../../rig/settings';
import { nearestWays } from '../../../scene/nearestWays';
import type { Job } from '../../../session/jobSchema';
import type { Thread } from '../../../session/sessionSchema';
import { namingOf } from '../../../words/naming';
import { obstacleSentence } from '../../../words/obstacleWording';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits } from '../../track/threadEdits';

/** Loops of a switcher that a chain passes are in, its other loops out: what hangs in them serves nobody else. */
export function turnLoops(up: SettingUp, { chain }: Pick<Job, 'chain'>): void {
  const { devices, graph } = up.it.context;
  const wanted = new Set(chain.flat());
  const switchers = new Set(
    [...wanted].map(deviceIdIn).filter((id) => devices.get(id)?.type === 'loopSwitcher'),
  );
  const isIn = new Map<ReturnType<typeof settingKeyOf>, boolean>();
  for (const { id, device, channel, role } of graph.stations) {
    if (role !== 'loop' || !switchers.has(device)) continue;
    // A stereo loop has one switch and two stations.
    const key = settingKeyOf(device, 'loopIn', channel);
    isIn.set(key, wanted.has(id) || isIn.get(key) === true);
  }
  if (isIn.size > 0) up.knobs(isIn);
}

/** Why some lines do not run; undefined where they all do. */
export function standstill({ it: { context } }: SettingUp, threads: readonly Thread[]): string | undefined {
  const stuck = context.threads.find(
    (way) => !way.complete && threads.some(({ id }) => id === way.thread.id),
  );
  if (stuck === undefined) return undefined;
  const way = nearestWays(context).get(stuck.thread.id);
  return way !== undefined && 'code' in way
    ? obstacleSentence(way, namingOf(context.rig, context.session, context.graph))
    : 'A part of its way is taken. Look at Routing for what would have to move.';
}

/** Puts the lines of a job in and routes them; where they have no way none stays, and why is told. */
export const addJobLines = (up: SettingUp, name: string, threads: readonly Thread[]): boolean =>
  up.attempt(() => {
    up.make(addThreadsEdits(up.it.studio, up.it.place, threads));
    const why = standstill(up, threads);
    if (why !== undefined) up.leaveOut(name, 'chain', why);
    return why === undefined;
  });
