import { ChainWishes } from '../../../mix/chainWish';
import type { GivenPair } from '../../../mix/giveChannels';
import { giveChannels } from '../../../mix/giveChannels';
import { hostChannels } from '../../../mix/hostChannels';
import type { HostUse } from '../../../mix/hostUses';
import { hostUses } from '../../../mix/hostUses';
import type { JobStand } from '../../../mix/jobStand';
import { jobsIn } from '../../../mix/jobStand';
import { sharesUnit, wantsOf } from '../../../mix/chainUnits';
import type { JobId } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import { jobSentence } from '../../../words/mix/jobSentence';
import { wantName } from '../../../words/mix/wantName';
import { namingOf } from '../../../words/naming';
import type { SettingUp } from '../../settingUp';
import { noRoomSentence } from './noRoom';
import { placeInLine } from './placeInLine';
import { comeBack, placeInSlot, sharedPair } from './placeInSlot';

/** Whether a job has its units in this scene. */
export const isUp = ({ placing, lines }: JobStand): boolean => placing === 'up' && lines.length > 0;

/** Jobs that are up and have a unit another job wants. */
export const holdersOf = (context: WorkedScene, { job }: JobStand): readonly JobStand[] =>
  jobsIn(context).filter(
    (other) => other.job.id !== job.id && isUp(other) && sharesUnit(context.graph, other.job, job),
  );

/** Why a job cannot be brought up; undefined where it can: nothing is wrong with it, and nobody has its units. */
function hindrance({ it: { context } }: SettingUp, stand: JobStand): string | undefined {
  const naming = namingOf(context.rig, context.session, context.graph);
  const [fault] = stand.faults;
  if (fault !== undefined) return jobSentence(fault, stand.track.name, naming);
  const [holder] = holdersOf(context, stand);
  if (holder === undefined) return undefined;
  const theirs = wantsOf(context.graph, holder.job);
  const unit = wantsOf(context.graph, stand.job).find((want) => theirs.includes(want)) ?? '';
  return `${wantName(naming, unit)} serves ${holder.track.name} just now. Commit ${holder.track.name} first, or put this job up in its place.`;
}

/** Channels for jobs that have none, given out together. */
function pairsFor(
  { it: { context } }: SettingUp,
  stands: readonly JobStand[],
): ReadonlyMap<string, GivenPair> {
  const channels = hostChannels(context);
  const free = (uses: readonly HostUse[], end: 'output' | 'input'): ReadonlySet<number> => {
    const taken = new Set(uses.filter(({ isIdle }) => isIdle !== true).map(({ number }) => number));
    return new Set(channels.flatMap((each) => (each[end] < 0 || taken.has(each.number) ? [] : each.number)));
  };
  const { inputs, outputs } = hostUses(context);
  const idle = new Set(inputs.filter(({ isIdle }) => isIdle === true).map(({ number }) => number));
  const wishes = new ChainWishes(context, idle);
  return giveChannels(
    stands.map(({ job, track }) => wishes.of(job, track.width)),
    {
      ...{ outputs: free(outputs, 'output'), inputs: free(inputs, 'input') },
      isStrict: context.session.hostProfile.insertPairs === 'strict',
    },
  );
}

/** Brings one job up where it needs no new channels; false where it does. */
function broughtUp(up: SettingUp, stand: JobStand): boolean {
  if (stand.job.at.in !== 'slot') placeInLine(up, stand);
  else if (stand.slot !== undefined) comeBack(up, stand);
  else {
    const shared = sharedPair(up, stand.job);
    if (shared === undefined) return false;
    placeInSlot(up, stand, shared);
  }
  return true;
}

/**
 * Brings jobs up: gives them converter channels, puts them into their slots, routes them over their units and turns their
 * trims. What is up stays where it is; of several that want one unit the first has it; what cannot be is told with its
 * remedy.
 */
export function bringUp(up: SettingUp, ids: readonly JobId[]): void {
  const wanted = jobsIn(up.it.context).filter((stand) => ids.includes(stand.job.id) && !isUp(stand));
  const fresh: JobStand[] = [];
  for (const stand of wanted) {
    const before = fresh.find(({ job }) => sharesUnit(up.it.context.graph, job, stand.job));
    const why =
      hindrance(up, stand) ??
      (before && `${before.track.name} takes its unit first. Commit that one, then put this up.`);
    if (why !== undefined) up.leaveOut(stand.track.name, 'chain', why);
    else if (!broughtUp(up, stand)) fresh.push(stand);
  }
  const pairs = pairsFor(up, fresh);
  for (const stand of fresh) {
    const pair = pairs.get(stand.job.id);
    if (pair !== undefined) placeInSlot(up, stand, pair);
    else up.leaveOut(stand.track.name, 'chain', noRoomSentence(up.it.context, stand));
  }
}
