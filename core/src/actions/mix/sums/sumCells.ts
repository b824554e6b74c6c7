import { placeKey } from '../../../mix/sum/sumPlace';
import { SumDesks } from '../../../consoles/mixing/deskOfSum';
import { sumInputs } from '../../../mix/sum/sumInputs';
import { stemStands } from '../../../mix/sum/sumStand';
import type { SumId, TrackId } from '../../../rig/ids';
import type { Stem, Sum } from '../../../session/sumSchema';
import type { CellReading } from '../../../text/cellReading';
import { refuse, value } from '../../../text/cellReading';
import { readInputs, readSound } from '../../../typed/sum/placeText';
import { readTrackCell } from '../../../typed/track/trackCells';
import { cellByCell } from '../../cellByCell';
import type { CellsEdits } from '../../cellsEdits';
import type { SettingUp } from '../../settingUp';
import type { WorkPlace } from '../../workPlace';
import { enterColumn } from '../desk/enterColumn';
import { trackCellEdits } from '../trackEdits';
import { placeStems } from './placeStems';
import { putStems, sumNamed } from './sharePlaces';

/** A column of the channel sheet of the mixer, or the unit on the insert of the channel. */
export type DeskField = `desk:${string}`;
/** The columns of the summing sheet that are typed. */
export type SumField = 'place' | 'sound' | 'fader' | DeskField;

const DESK = 'desk:';
const isDeskField = (field: SumField): field is DeskField => field.startsWith(DESK);

/** A text for a cell of the summing sheet. */
export interface SumCell {
  readonly sum: SumId;
  readonly track: TrackId;
  readonly field: SumField;
  readonly text: string;
}

/** A place as it is typed; emptied, it is the program's to give. */
function readPlaceOf(up: SettingUp, sum: Sum, stem: Stem, text: string): CellReading<Stem> {
  const { inputs: _inputs, isTyped: _typed, ...bare } = stem;
  if (text.trim() === '') return value(bare);
  const read = readInputs(text, sumInputs(up.it.context, sum).length);
  if (!read.ok) return read;
  const track = up.it.context.session.tracks.find(({ id }) => id === stem.track);
  if (track !== undefined && track.width > 1 && read.value.length === 1)
    return refuse(
      `${track.name} is stereo and takes two inputs side by side: write ${text.trim()}–${String((read.value[0] ?? 0) + 1)}.`,
    );
  return value({ ...bare, inputs: read.value, isTyped: true });
}

/** Whoever had a place that somebody typed for another, and was not typed there, is looked after anew. */
const makeRoom = (stems: readonly Stem[], typed: Stem): Stem[] =>
  stems.map((stem) => {
    if (stem.track === typed.track) return typed;
    const overlaps = stem.inputs?.some((n) => typed.inputs?.includes(n)) === true;
    const isSame = placeKey({ inputs: stem.inputs ?? [] }) === placeKey({ inputs: typed.inputs ?? [] });
    if (!overlaps || stem.isTyped === true || isSame) return stem;
    const { inputs: _inputs, ...without } = stem;
    return without;
  });

function stemCell(up: SettingUp, sum: Sum, stem: Stem, { field, text }: SumCell): CellReading<null> {
  if (field === 'sound') {
    const read = readSound(text);
    if (!read.ok) return read;
    const stems = sum.stems.map((each) =>
      each.track === stem.track ? { ...each, sound: read.value } : each,
    );
    return putStems(up, sum, stems) ? value(null) : refuse('It does not go with the rest of the session.');
  }
  const read = readPlaceOf(up, sum, stem, text);
  if (!read.ok) return read;
  const alone = sum.stems.filter(
    (each) =>
      each.track !== stem.track && each.isTyped !== true && each.inputs?.join() === read.value.inputs?.join(),
  );
  // Who stands there by the program's choice gives way.
  const stems = makeRoom(sum.stems, read.value).map((each) => {
    if (read.value.inputs === undefined || !alone.some(({ track }) => track === each.track)) return each;
    const { inputs: _inputs, ...without } = each;
    return without;
  });
  if (!putStems(up, sum, stems)) return refuse('It does not go with the rest of the session.');
  placeStems(up, sum.id, false);
  return value(null);
}

function cell(up: SettingUp, each: SumCell): CellReading<null> {
  const sum = sumNamed(up, each.sum);
  const stem = sum?.stems.find(({ track }) => track === each.track);
  const track = up.it.context.session.tracks.find(({ id }) => id === each.track);
  if (sum === undefined || stem === undefined || track === undefined)
    return refuse('This stem is not in the sum any more.');
  if (isDeskField(each.field)) {
    const { context } = up.it;
    const stand = stemStands(context, sum).find((own) => own.track.id === track.id);
    const points = new SumDesks(context, sum).pointsOf(stand?.inputs ?? []);
    return enterColumn(up, track.name, points, each.field.slice(DESK.length), each.text);
  }
  if (each.field !== 'fader') return stemCell(up, sum, stem, each);
  const { session } = up.it.context;
  const read = readTrackCell('faderDb', each.text, track, session);
  if (!read.ok) return read;
  const done = trackCellEdits(session, track, 'faderDb', each.text);
  return done.ok && up.make(done.edits) ? value(null) : refuse('It does not go.');
}

/** Takes texts over into cells of the summing sheet, one after the other, as one change; what does not fit is told. */
export const sumCells = (it: WorkPlace, cells: readonly SumCell[]): CellsEdits => cellByCell(it, cells, cell);
