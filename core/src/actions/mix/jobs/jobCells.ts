import type { FieldChange } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import { jobsIn } from '../../../mix/jobStand';
import { jobTrims } from '../../../mix/jobTrims';
import type { JobId } from '../../../rig/ids';
import type { Job } from '../../../session/jobSchema';
import type { Track } from '../../../session/daw/trackSchema';
import { MOST_SLOTS } from '../../../session/daw/trackSchema';
import type { CellReading } from '../../../text/cellReading';
import { refuse, value } from '../../../text/cellReading';
import { typedNumber } from '../../../text/typedNumber';
import { readKind, readLength, readPlace, readState, readSweet } from '../../../typed/job/jobOptions';
import { readChain } from '../../../typed/job/jobUnits';
import { cellByCell } from '../../cellByCell';
import type { CellsEdits } from '../../cellsEdits';
import type { SettingUp } from '../../settingUp';
import type { WorkPlace } from '../../workPlace';
import { bringUp, isUp } from './bringUp';
import { jobNamed, putSlots, stateSet, trackOf } from './jobEdits';
import { withHardware } from './jobSlots';
import { takeDown } from './takeDown';
import { putTrims, trimJob } from './trimJobs';

/** The columns of the insert sheet that are typed. */
export type JobField = 'chain' | 'kind' | 'at' | 'state' | 'sweet' | 'sendTrim' | 'returnTrim' | 'length';

/** A text for a cell of the insert sheet. */
export interface JobCell {
  readonly job: JobId;
  readonly field: JobField;
  readonly text: string;
}

type Said = CellReading<null>;
const SAID: Said = value(null);

const put = (up: SettingUp, { id }: Job, change: FieldChange<'job'>): boolean =>
  up.make([editSet('job', { session: up.it.place.session }, id, change)]);

/** Does something to a job that decides its way: it goes down for that and, where it was up, comes back. */
function replaced(up: SettingUp, job: Job, change: (job: Job) => boolean): Said {
  const stand = jobsIn(up.it.context).find((each) => each.job.id === job.id);
  const wasUp = stand !== undefined && isUp(stand);
  if (wasUp) takeDown(up, job, false);
  const now = jobNamed(up.it, job.id);
  if (now === undefined || !change(now)) return refuse('It does not go with the rest of the session.');
  if (wasUp) bringUp(up, [job.id]);
  return SAID;
}

function chainCell(up: SettingUp, job: Job, track: Track, text: string): Said {
  const others = up.it.context.session.jobs.filter(({ id }) => id !== job.id);
  const read = readChain(
    up.it.context,
    track,
    text,
    others.flatMap(({ chain }) => chain.flat()),
  );
  if (!read.ok) return read;
  return replaced(up, job, (now) => put(up, now, { field: 'chain', value: read.value, was: now.chain }));
}

/** Puts the slot of a job that is placed elsewhere; what lies between moves up or down by one. */
function movedSlots(track: Track, job: Job, slot: number): Track['inserts'] {
  const from = track.inserts.findIndex((each) => each?.kind === 'hardware' && each.job === job.id);
  const without = track.inserts.filter((_, i) => i !== from);
  while (without.length < slot - 1) without.push(null);
  return [...without.slice(0, slot - 1), track.inserts[from] ?? null, ...without.slice(slot - 1)];
}

function placeCell(up: SettingUp, job: Job, track: Track, text: string): Said {
  const read = readPlace(text, track);
  if (!read.ok) return read;
  const at = read.value;
  const change = (now: Job): boolean => put(up, now, { field: 'at', value: at, was: now.at });
  const isPlaced = track.inserts.some((slot) => slot?.job === job.id);
  if (at.in !== 'slot' || job.at.in !== 'slot' || !isPlaced) return replaced(up, job, change);
  const slots = movedSlots(track, job, at.slot);
  if (slots.length > MOST_SLOTS) return refuse(`${track.name} has no slot left for that: a track has ten.`);
  const isMoved = putSlots(up, job, () => slots);
  const now = jobNamed(up.it, job.id);
  return isMoved && now !== undefined && change(now) ? SAID : refuse('It does not go there.');
}

function kindCell(up: SettingUp, job: Job, track: Track, text: string): Said {
  const read = readKind(text, track);
  if (!read.ok) return read;
  const { midSide = null, parallel = null } = read.value;
  if ((midSide !== null || parallel !== null) && job.at.in !== 'slot')
    return refuse('A chain in line has no dry signal beside it and no matrix before it. Put it into a slot.');
  put(up, job, { field: 'midSide', value: midSide, was: job.midSide ?? null });
  put(up, job, { field: 'parallel', value: parallel, was: job.parallel ?? null });
  const now = jobNamed(up.it, job.id);
  const stand = jobsIn(up.it.context).find((each) => each.job.id === job.id);
  const slot = stand?.slot;
  if (now !== undefined && slot !== undefined)
    putSlots(up, now, ({ inserts }) => withHardware(inserts, now, { send: slot.send, return: slot.return }));
  return SAID;
}

function stateCell(up: SettingUp, job: Job, text: string): Said {
  const read = readState(text);
  if (!read.ok) return read;
  if (read.value === 'committed') takeDown(up, job, false);
  const now = jobNamed(up.it, job.id);
  return now !== undefined && up.make(stateSet(up.it, now, read.value)) ? SAID : refuse('It does not go.');
}

/** A trim of one end; the other stays, so that the level of the track follows what is typed. */
function trimCell(
  up: SettingUp,
  job: Job,
  track: Track,
  end: 'sendTrimDb' | 'returnTrimDb',
  text: string,
): Said {
  const db = text.trim() === '' ? 0 : typedNumber(text.replace(/\s*dB$/i, ''));
  if (db === undefined) return refuse(`“${text}” is no trim. Type decibels, from −24 to +24.`);
  if (!track.inserts.some((slot) => slot?.kind === 'hardware' && slot.job === job.id))
    return refuse('The chain is not up, so there is nothing to trim. Bring it up first.');
  const before = up.refused.length;
  if (putTrims(up, job, { ...jobTrims(track.inserts, job.id), [end]: db })) return SAID;
  const why = up.refused.splice(before)[0]?.sentence;
  return refuse(why ?? 'It does not go.');
}

function sweetCell(up: SettingUp, job: Job, text: string): Said {
  const read = readSweet(text);
  if (!read.ok) return read;
  put(up, job, { field: 'sweetDbu', value: read.value ?? null, was: job.sweetDbu ?? null });
  trimJob(up, job.id);
  return SAID;
}

function lengthCell(up: SettingUp, job: Job, text: string): Said {
  const read = readLength(text);
  if (!read.ok) return read;
  put(up, job, { field: 'lengthS', value: read.value ?? null, was: job.lengthS ?? null });
  return SAID;
}

function cell(up: SettingUp, { job: id, field, text }: JobCell): Said {
  const job = jobNamed(up.it, id);
  const track = job && trackOf(up.it, job);
  if (job === undefined || track === undefined) return refuse('This job is not here any more.');
  switch (field) {
    case 'chain':
      return chainCell(up, job, track, text);
    case 'kind':
      return kindCell(up, job, track, text);
    case 'at':
      return placeCell(up, job, track, text);
    case 'state':
      return stateCell(up, job, text);
    case 'sweet':
      return sweetCell(up, job, text);
    case 'length':
      return lengthCell(up, job, text);
    case 'sendTrim':
      return trimCell(up, job, track, 'sendTrimDb', text);
    case 'returnTrim':
      return trimCell(up, job, track, 'returnTrimDb', text);
  }
}

/** Takes texts over into cells of the insert sheet, one after the other, as one change; what does not fit is told. */
export const jobCells = (it: WorkPlace, cells: readonly JobCell[]): CellsEdits => cellByCell(it, cells, cell);
