import { MID_SIDE_DB } from '../../graph/slotEdges';
import { knownDelaySamples } from '../../graph/compensation';
import { trackPort } from '../../graph/dawTracks';
import { laneSum } from '../../levels/laneSum';
import type { JobStand } from '../../mix/jobStand';
import { waitsFor } from '../../mix/scarcity';
import { laneIdOf } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { combOf } from '../../timing/comb';
import { formatDb, formatFrequency, formatGain, formatSamples } from '../../units/format';

/** By how much the wet signal of a parallel chain comes later than the dry one, samples. */
export function wetLateSamples({ session }: WorkedScene, { slot, trips }: JobStand): number {
  const [trip] = trips;
  if (slot === undefined || trip === undefined) return 0;
  const made = session.hostProfile.compensates ? knownDelaySamples(slot, session.hostProfile) : 0;
  return trip.delaySamples - made;
}

/** Less than this is no comb to speak of: its first notch lies over 20 kHz at any rate we know. */
const ALIGNED_SAMPLES = 1.2;

function parallelNote(context: WorkedScene, stand: JobStand): readonly string[] {
  const { parallel } = stand.job;
  const late = wetLateSamples(context, stand);
  if (parallel === undefined || stand.slot === undefined) return [];
  if (Math.abs(late) < ALIGNED_SAMPLES) return ['wet and dry meet in time'];
  const levelDifferenceDb = Math.abs(parallel.dryDb - parallel.wetDb);
  const comb = combOf(
    { differenceSamples: late, levelDifferenceDb, inverted: false },
    context.graph.sampleRateHz,
  );
  const [first] = comb.notchesHz;
  const depth = Number.isFinite(comb.dipDb) ? formatDb(comb.dipDb) : 'silence';
  const notch = first === undefined ? '' : `: first notch at ${formatFrequency(first)}, ${depth} at most`;
  return [`wet ${formatSamples(Math.abs(late))} samples ${late > 0 ? 'late' : 'early'}${notch}`];
}

function midSideNote({ job, slot }: JobStand): readonly string[] {
  if (job.midSide !== true || slot === undefined) return [];
  const [mid, side] = [slot.send, slot.send + 1];
  return [
    `out ${String(mid)} is mid (L + R), out ${String(side)} is side (L − R), both at ${formatGain(MID_SIDE_DB)} dB; back at unity`,
  ];
}

/** Less than this nobody would call another level. */
const SAME_LEVEL_DB = 1;

/** By how much the track is louder or softer behind its slot than before it. */
function levelNote(
  { graph, field, session }: WorkedScene,
  { track, slotNumber, placing, job }: JobStand,
): readonly string[] {
  if (slotNumber === undefined || placing !== 'up' || job.parallel !== undefined) return [];
  const host = session.host ?? '';
  const at = (point: Parameters<typeof trackPort>[1]): number | undefined => {
    const lane = graph.laneIndex.get(laneIdOf(host, trackPort(track, point), 1));
    return lane === undefined ? undefined : laneSum(field, lane).nominal;
  };
  const slots = track.inserts.flatMap((slot, i) => (slot === null || i + 1 >= slotNumber ? [] : [i + 1]));
  const last = slots.at(-1);
  const isThrough = track.kind === 'aux' || track.kind === 'group';
  const [before, behind] = [
    at(last === undefined ? (isThrough ? 'in' : 'pre') : `slot-${last}`),
    at(`slot-${slotNumber}`),
  ];
  const change = before === undefined || behind === undefined ? 0 : behind - before;
  if (Math.abs(change) < SAME_LEVEL_DB) return [];
  return [`comes back ${formatDb(Math.abs(change))} ${change > 0 ? 'louder' : 'softer'}`];
}

function waitNote(context: WorkedScene, { job, placing }: JobStand): readonly string[] {
  if (job.state === 'committed' || placing === 'up') return [];
  const { session } = context;
  const names = waitsFor(context, job).flatMap((id) => {
    const other = session.jobs.find((each) => each.id === id);
    return session.tracks.find((track) => track.id === other?.track)?.name ?? [];
  });
  return names.length === 0 ? [] : [`after ${names.join(', ')}`];
}

function offNote({ session }: WorkedScene, { slot }: JobStand): readonly string[] {
  if (slot?.off !== true) return [];
  return session.hostProfile.onlySwitchesOff === true
    ? ['switched off: the delay of the session changes with it']
    : ['switched off, its time kept'];
}

/** What a reader of the insert sheet should know of a job besides its figures. */
export const jobNotes = (context: WorkedScene, stand: JobStand): readonly string[] => [
  ...midSideNote(stand),
  ...parallelNote(context, stand),
  ...levelNote(context, stand),
  ...offNote(context, stand),
  ...waitNote(context, stand),
];
