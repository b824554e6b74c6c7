import type { GivenPair } from '../../../mix/giveChannels';
import type { JobStand } from '../../../mix/jobStand';
import { jobsIn } from '../../../mix/jobStand';
import { compensatesKnown } from '../../../mix/toldDelay';
import type { JobId } from '../../../rig/ids';
import type { Job } from '../../../session/jobSchema';
import { threadsInScenesEdits } from '../../scenes/sceneEdits';
import type { SettingUp } from '../../settingUp';
import { putSlots } from './jobEdits';
import { slotLines } from './jobLines';
import { addJobLines, turnLoops } from './jobRoutes';
import { hardwareChanged, hardwareWithout, withHardware } from './jobSlots';
import { trimJob } from './trimJobs';

/** "out and in 17–18", "out 17, in 19". */
export function pairText({ send, return: back }: GivenPair, sides: number): string {
  const run = (first: number): string =>
    sides === 1 ? String(first) : `${String(first)}–${String(first + sides - 1)}`;
  return send === back ? `out and in ${run(send)}` : `out ${run(send)}, in ${run(back)}`;
}

/** Types the round trip in as it is worked out, for a host that compensates what it is told. */
export function tellDelay(up: SettingUp, id: JobId): void {
  const stand = jobsIn(up.it.context).find((each) => each.job.id === id);
  if (stand === undefined || stand.trips.length === 0 || !compensatesKnown(up.it.context.session)) return;
  const delaySamples = Math.round(Math.max(...stand.trips.map((trip) => trip.delaySamples)));
  putSlots(up, stand.job, ({ inserts }) => hardwareChanged(inserts, id, { delaySamples }));
}

/** Puts a job into its slot over the channels it was given, routes it, and turns its trims. */
export function placeInSlot(up: SettingUp, stand: JobStand, pair: GivenPair): void {
  const { job, track } = stand;
  const isPlaced = up.attempt(() => {
    turnLoops(up, job);
    putSlots(up, job, ({ inserts }) => withHardware(inserts, job, pair));
    return addJobLines(up, track.name, slotLines(up.it.context, job, track, pair));
  });
  if (!isPlaced) return;
  up.say(track.name, 'chain', pairText(pair, track.width));
  trimJob(up, job.id);
  tellDelay(up, job.id);
}

/** A job that is switched off, or whose lines run in other scenes alone, comes back to the channels it kept. */
export function comeBack(up: SettingUp, { job, track, slot }: JobStand): void {
  if (slot === undefined) return;
  turnLoops(up, job);
  const { studio, place, context } = up.it;
  const pair = { send: slot.send, return: slot.return };
  const own = context.session.threads.filter((thread) => thread.job === job.id);
  const joins = own.map(({ id }) => ({ thread: id, scene: place.scene, isIn: true }));
  if (own.length > 0) up.make(threadsInScenesEdits(studio, place, joins));
  else if (!addJobLines(up, track.name, slotLines(context, job, track, pair))) return;
  putSlots(up, job, ({ inserts }) => hardwareWithout(inserts, job.id, 'off'));
  up.say(track.name, 'chain', `back on ${pairText(pair, track.width)}`);
}

const sameEnds = (a: Job, b: Job): boolean =>
  a.chain[0]?.join() === b.chain[0]?.join() && a.chain.at(-1)?.join() === b.chain.at(-1)?.join();

/** On a host that takes one pair in several slots: the pair of a job that stands by with the same units at its ends. */
export function sharedPair({ it: { context } }: SettingUp, job: Job): GivenPair | undefined {
  if (!context.session.hostProfile.reusePair) return undefined;
  const other = jobsIn(context).find(
    (each) => each.slot?.off === true && each.job.id !== job.id && sameEnds(each.job, job),
  );
  return other?.slot && { send: other.slot.send, return: other.slot.return };
}
