import { volumeOf } from '../../cues/volume';
import type { Edit } from '../../edits/make';
import { editAdd, editSet } from '../../edits/make';
import type { CueId, DeviceId, PerformerId } from '../../rig/ids';
import { deviceIdIn, idFromName } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import { settingKeyOf } from '../../rig/settings';
import { cueHeadphonesSchema } from '../../session/cueSchema';
import type { Cue, CueHeadphones } from '../../session/cueSchema';
import { performerSchema } from '../../session/performerSchema';
import type { Performer } from '../../session/performerSchema';
import { threadsIn } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { all, parts, refuse, value } from '../../text/cellReading';
import { readOnOff, readSetting } from '../../typed/settingText';
import type { CellsEdits } from '../cellsEdits';
import { fittedFigure } from '../fittedCell';
import { settingSet } from '../patchEdits';
import { performerCell } from '../time/performerCell';
import type { WorkPlace } from '../workPlace';
import { workPlaceAfter } from '../workPlace';

/** What a cell of the list of ears holds. */
export type EarField =
  'who' | 'worn' | 'volume' | 'hours' | 'earDistance' | 'microphone' | 'distance' | 'loss';

/** A text for a cell of the list of ears. */
export interface EarEntry {
  readonly cue: CueId;
  readonly headphones: DeviceId;
  readonly field: EarField;
  readonly text: string;
}

interface Target {
  readonly it: WorkPlace;
  readonly cue: Cue;
  readonly pair: CueHeadphones;
  readonly wearer?: Performer;
}

/** The pair with some of what is assumed of it changed; undefined takes it back to what is usual. */
function withPair(
  { it, cue, pair }: Target,
  change: Readonly<Record<string, unknown>>,
): CellReading<readonly Edit[]> {
  const changed: Readonly<Record<string, unknown>> = { ...pair, ...change };
  const known = Object.entries(changed).filter(([, each]) => each !== undefined);
  const fits = cueHeadphonesSchema.safeParse(Object.fromEntries(known));
  if (!fits.success) return refuse(`It does not fit: ${fits.error.issues[0]?.message ?? ''}.`);
  const headphones = cue.headphones.map((each) => (each === pair ? fits.data : each));
  const edit = editSet('cue', { session: it.place.session }, cue.id, {
    ...{ field: 'headphones', value: headphones, was: cue.headphones },
  });
  return value([edit]);
}

/** A figure of the pair; empty takes it back. */
function figure(
  target: Target,
  text: string,
  field: 'distanceM' | 'isolationDb' | 'couplingLossDb',
): CellReading<readonly Edit[]> {
  if (text === '') return withPair(target, { [field]: undefined });
  const fits = fittedFigure(cueHeadphonesSchema.shape[field], text);
  return fits.ok ? withPair(target, { [field]: fits.value }) : fits;
}

/** A figure of whoever wears them; empty takes it back. */
const ofWearer = (
  { it: { context }, wearer }: Target,
  text: string,
  field: 'hoursADay' | 'earDistanceM',
): CellReading<readonly Edit[]> =>
  wearer === undefined
    ? refuse('Nobody is said to wear them. Say who does first.')
    : performerCell(context.rig, context.session, wearer, field, text);

/** Names that can wear a pair: those listed, and those of the input list. */
export const wearerNames = ({ context: { session, scene } }: WorkPlace): readonly string[] => [
  ...new Set([
    ...session.performers.map(({ name }) => name),
    ...threadsIn(session, scene).flatMap(({ performer }) => (performer === '' ? [] : [performer])),
  ]),
];

function who({ it, pair, wearer }: Target, text: string): CellReading<readonly Edit[]> {
  const { performers } = it.context.session;
  const place = { session: it.place.session };
  const off: readonly Edit[] =
    wearer === undefined
      ? []
      : [editSet('performer', place, wearer.id, { field: 'headphones', value: null, was: pair.id })];
  if (text === '' || text.toLowerCase() === 'nobody') return value(off);
  const name = wearerNames(it).find((each) => each.toLowerCase() === text.toLowerCase());
  if (name === undefined)
    return refuse(`Nobody is called “${text}”. Take a name of the input list, or add the line first.`);
  const listed = performers.find((each) => each.name === name);
  if (listed === undefined) {
    const id = idFromName(name, new Set(performers.map((each) => each.id)), 'performer') as PerformerId;
    return value([
      ...off,
      editAdd('performer', place, performerSchema.parse({ id, name, headphones: pair.id })),
    ]);
  }
  if (listed.headphones === pair.id) return value([]);
  const was = listed.headphones ?? null;
  return value([
    ...off,
    editSet('performer', place, listed.id, { field: 'headphones', value: pair.id, was }),
  ]);
}

/** One figure for both sides, or one for each: "-20 / -22". */
function volume({ it, pair }: Target, text: string): CellReading<readonly Edit[]> {
  const found = volumeOf(it.context, pair.id);
  if (found === undefined) return refuse('Their box has no volume.');
  const typed = all(parts(text, /\//).map((part) => readSetting(found.spec, part)));
  if (!typed.ok) return typed;
  const [left = found.min, right = left, more] = typed.value;
  if (more !== undefined) return refuse('There are two sides: type one figure for both, or left / right.');
  const wanted = new Map(
    found.sides.map(({ knob }, i) => [
      settingKeyOf(found.device.id, knob.setting, knob.channel),
      i === 0 ? left : right,
    ]),
  );
  if (left !== right && wanted.size === 1) return refuse('One knob turns both sides: type one figure.');
  return value([...wanted].map(([key, db]) => settingSet(it.place, it.context.scene, key, db)));
}

/** The microphones that are open in the scene. */
export const openMicrophones = ({ context }: WorkPlace): readonly Device[] =>
  threadsIn(context.session, context.scene).flatMap(({ from }) => {
    const device = context.devices.get(deviceIdIn(from));
    return device?.type === 'microphone' ? [device] : [];
  });

function microphone(target: Target, text: string): CellReading<readonly Edit[]> {
  if (text === '') return withPair(target, { microphone: undefined });
  const found = openMicrophones(target.it).find(({ name }) => name.toLowerCase() === text.toLowerCase());
  return found === undefined
    ? refuse(`No microphone called “${text}” is open in this scene.`)
    : withPair(target, { microphone: found.id });
}

const lies = ({ pair, wearer }: Target): boolean => pair.lying === true || wearer === undefined;

const READ: Readonly<Record<EarField, (target: Target, text: string) => CellReading<readonly Edit[]>>> = {
  who,
  volume,
  microphone,
  worn(target, text) {
    const read = readOnOff('worn', text);
    if (!read.ok) return read;
    if (read.value && target.wearer === undefined)
      return refuse('Nobody is said to wear them. Say who does first.');
    return withPair(target, { lying: read.value ? undefined : true });
  },
  hours: (target, text) => ofWearer(target, text, 'hoursADay'),
  earDistance: (target, text) => ofWearer(target, text, 'earDistanceM'),
  distance: (target, text) => figure(target, text, 'distanceM'),
  loss: (target, text) => figure(target, text, lies(target) ? 'couplingLossDb' : 'isolationDb'),
};

/** A text for one cell of the list of ears, as edits; or why it does not fit. */
export function earCell(
  it: WorkPlace,
  { cue: id, headphones, field, text }: EarEntry,
): CellReading<readonly Edit[]> {
  const { session } = it.context;
  const cue = session.cues.find((each) => each.id === id);
  const pair = cue?.headphones.find((each) => each.id === headphones);
  if (cue === undefined || pair === undefined) return refuse('This pair is on no such cue any more.');
  const wearer = session.performers.find((each) => each.headphones === headphones);
  return READ[field]({ it, cue, pair, ...(wearer !== undefined && { wearer }) }, text.trim());
}

/** Texts for many cells, each read with those before it in force; those that do not fit are told. */
export function earCells(it: WorkPlace, entries: readonly EarEntry[]): CellsEdits {
  const edits: Edit[] = [];
  const refused: CellsEdits['refused'][number][] = [];
  let now = it;
  entries.forEach((entry, at) => {
    const read = earCell(now, entry);
    const then = read.ok ? workPlaceAfter(now, read.value) : undefined;
    if (!read.ok) refused.push({ at, sentence: read.sentence });
    else if (then !== undefined) {
      edits.push(...read.value);
      now = then;
    }
  });
  return { edits, refused };
}
