import { slotsByHand } from '../../mix/slotsByHand';
import { hostChannels } from '../../mix/hostChannels';
import type { HostUse } from '../../mix/hostUses';
import { hostUses } from '../../mix/hostUses';
import type { JobPlacing, JobStand } from '../../mix/jobStand';
import { jobsIn } from '../../mix/jobStand';
import { jobTrims } from '../../mix/jobTrims';
import { compensatesKnown } from '../../mix/toldDelay';
import { lengthOf } from '../../mix/commitLength';
import type { JobId, ThreadId, TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { JobState, MixSettings } from '../../session/jobSchema';
import { USUAL_MIX_SETTINGS } from '../../session/jobSchema';
import { rangesText } from '../../text/rangesText';
import { kindText, lengthText, placeText } from '../../typed/job/jobOptions';
import { msFromSamples } from '../../units/duration';
import { formatDb, formatGain, formatLevel, formatMs, formatSamples } from '../../units/format';
import { jobSentence } from '../../words/mix/jobSentence';
import { namingOf } from '../../words/naming';
import { chainText } from './chainText';
import { jobNotes } from './jobNotes';
import { unitLevels } from './jobUnits';
import type { ContentionLine, DayLine } from './scarcityLines';
import { contentionLines, dayLines } from './scarcityLines';

/** One line of the insert sheet. */
export interface JobRow {
  readonly id: JobId;
  readonly number: number;
  readonly track: TrackId;
  readonly on: string;
  readonly sides: number;
  /** Texts as they are typed. */
  readonly chain: string;
  readonly kind: string;
  readonly at: string;
  readonly state: JobState;
  readonly sweet: string;
  readonly sendTrim: string;
  readonly returnTrim: string;
  readonly length: string;
  readonly placing: JobPlacing;
  /** Numbers of the host: "17", "17–18"; empty where it has none. */
  readonly out: string;
  readonly back: string;
  /** "+4.0 dBu, 12.3 dB room" at each unit, in order. */
  readonly levels: readonly string[];
  /** The round trip in samples and milliseconds, and whether the host makes up for it. */
  readonly samples: string;
  readonly ms: string;
  readonly compensation: string;
  readonly notes: readonly string[];
  /** What keeps it from being done. */
  readonly trouble: string;
  readonly thread?: ThreadId;
}

export interface InsertBudget {
  readonly used: number;
  readonly limit: number;
  readonly isOver: boolean;
  readonly says: string;
}

export interface InsertsView {
  readonly rows: readonly JobRow[];
  readonly budget: InsertBudget;
  readonly contentions: readonly ContentionLine[];
  readonly days: readonly DayLine[];
  /** Numbers of outputs and inputs that nothing uses. */
  readonly freeOutputs: string;
  readonly freeInputs: string;
  /** What this kind of host does with hardware that others do not. */
  readonly hostNotes: readonly string[];
  /** Live jobs that are not up. */
  readonly waiting: number;
  /** Hardware slots that no job put there. */
  readonly byHand: number;
  readonly settings: MixSettings;
}

const run = (first: number, sides: number): string =>
  sides === 1 ? String(first) : `${String(first)}–${String(first + sides - 1)}`;

const level = ({ nominalDbu, roomDb, name }: ReturnType<typeof unitLevels>[number]): string => {
  if (nominalDbu === undefined) return `${name}: no level known`;
  const room = roomDb === undefined ? '' : `, ${formatDb(roomDb)} room`;
  return `${name}: ${formatLevel(nominalDbu, 'dBu')}${room}`;
};

function delayTexts(
  context: WorkedScene,
  { slot, trips }: JobStand,
): Pick<JobRow, 'samples' | 'ms' | 'compensation'> {
  if (slot === undefined || trips.length === 0) return { samples: '', ms: '', compensation: '' };
  const samples = Math.max(...trips.map(({ delaySamples }) => delaySamples));
  const ms = msFromSamples(samples, context.graph.sampleRateHz);
  const { compensates } = context.session.hostProfile;
  const told = slot.delaySamples;
  const compensation = !compensates
    ? 'not compensated'
    : !compensatesKnown(context.session)
      ? 'not known to the host'
      : told === undefined
        ? 'not measured yet'
        : Math.abs(told - samples) <= 1
          ? 'compensated'
          : `${formatSamples(told)} typed in`;
  return { samples: formatSamples(samples), ms: formatMs(ms), compensation };
}

function jobRow(context: WorkedScene, stand: JobStand): JobRow {
  const { job, track, slot, slotNumber, placing, faults, lines } = stand;
  const { session } = context;
  const naming = namingOf(context.rig, session, context.graph);
  const { sendTrimDb, returnTrimDb } = jobTrims(track.inserts, job.id);
  const [fault] = faults;
  const broken = lines.find(({ complete }) => !complete);
  const [first] = lines;
  const seconds = lengthOf(session, job);
  return {
    ...{ id: job.id, number: job.number, track: track.id, on: track.name, sides: track.width, placing },
    ...{ chain: chainText(context, job), kind: kindText(job), state: job.state },
    at: slotNumber === undefined ? placeText(job.at) : String(slotNumber),
    sweet: job.sweetDbu === undefined ? '' : formatGain(job.sweetDbu),
    sendTrim: slot === undefined ? '' : formatGain(sendTrimDb),
    returnTrim: slot === undefined ? '' : formatGain(returnTrimDb),
    length: seconds === undefined ? '' : lengthText(seconds),
    out: slot === undefined ? '' : run(slot.send, track.width),
    back: slot === undefined ? '' : run(slot.return, track.width),
    levels: placing === 'up' ? unitLevels(context, stand).map(level) : [],
    ...delayTexts(context, stand),
    notes: jobNotes(context, stand),
    trouble:
      fault !== undefined
        ? jobSentence(fault, track.name, naming)
        : broken === undefined
          ? ''
          : `${naming.thread(broken.thread.id)} does not run: look at its strip.`,
    ...(first && { thread: first.thread.id }),
  };
}

/** How many hardware slots are in use, against the number at which a machine feels it. */
export function insertBudget({ session }: WorkedScene): InsertBudget {
  const { hostProfile, bufferSamples, mix } = session;
  const used = session.tracks
    .flatMap(({ inserts }) => inserts)
    .filter((slot) => slot?.kind === 'hardware' && slot.off !== true).length;
  const limit = mix?.insertLimit ?? USUAL_MIX_SETTINGS.insertLimit;
  const isOver = hostProfile.insertsAtSmallBuffer && used > limit;
  const counted = `${String(used)} of about ${String(limit)} hardware inserts`;
  const says = !hostProfile.insertsAtSmallBuffer
    ? `${String(used)} hardware inserts; this host does not run them at the small buffer.`
    : `${counted} at the small buffer of ${String(bufferSamples)} samples${isOver ? ': machines feel it from there on. Commit some, or work at a larger buffer' : ''}.`;
  return { used, limit, isOver, says };
}

function hostNotes({ session }: WorkedScene): readonly string[] {
  const { hostProfile } = session;
  return [
    'Commits and mixes through hardware run in real time: nothing bounces offline.',
    ...(hostProfile.trims
      ? []
      : ['This host does not trim inserts: a gain plug-in stands before and behind.']),
    ...(hostProfile.onlySwitchesOff === true
      ? ['This host only switches hardware off: what it is delayed by changes with it.']
      : []),
    ...(hostProfile.reusePair ? ['One pair may stand in several slots: a job that stands by keeps it.'] : []),
  ];
}

function freeNumbers(context: WorkedScene, uses: readonly HostUse[], end: 'output' | 'input'): string {
  const taken = new Set(uses.map(({ number }) => number));
  return rangesText(
    hostChannels(context).flatMap((each) => (each[end] < 0 || taken.has(each.number) ? [] : each.number)),
  );
}

/** Who of the mix passes which units, over which channels, at which level, and what several want. */
export function insertsView(context: WorkedScene): InsertsView {
  const stands = jobsIn(context);
  const { inputs, outputs } = hostUses(context);
  return {
    rows: stands.map((stand) => jobRow(context, stand)),
    budget: insertBudget(context),
    contentions: contentionLines(context),
    days: dayLines(context),
    freeOutputs: freeNumbers(context, outputs, 'output'),
    freeInputs: freeNumbers(context, inputs, 'input'),
    hostNotes: hostNotes(context),
    waiting: stands.filter(
      ({ job, placing, lines }) => job.state === 'live' && (placing !== 'up' || lines.length === 0),
    ).length,
    byHand: context.session.tracks.flatMap(slotsByHand).length,
    settings: context.session.mix ?? {},
  };
}
