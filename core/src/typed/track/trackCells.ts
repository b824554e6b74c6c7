import type { Session } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { inputText, outputsText, readInput, readOutputs, readSends, sendsText } from './destinationText';
import { SAMPLE_RATES_HZ } from '../../units/sampleRates';
import { typedNumber } from '../../text/typedNumber';
import { decibels, levelText, panText, readLevel, readPan } from './faderText';
import { insertsText, readInserts } from './insertsText';
import type { Track, TrackKind } from '../../session/daw/trackSchema';
import { TRACK_KINDS } from '../../session/daw/trackSchema';

/** The columns of the track sheet that are typed, in their order. */
export const TRACK_COLUMNS = [
  { field: 'number', title: 'No' },
  { field: 'name', title: 'Name' },
  { field: 'kind', title: 'Kind' },
  { field: 'width', title: 'Width' },
  { field: 'input', title: 'Input' },
  { field: 'inserts', title: 'Inserts' },
  { field: 'sends', title: 'Sends' },
  { field: 'faderDb', title: 'Fader' },
  { field: 'pan', title: 'Pan' },
  { field: 'outputs', title: 'Outputs' },
  { field: 'vca', title: 'VCA' },
  { field: 'levelDbfs', title: 'Plays dBFS' },
  { field: 'crestDb', title: 'Crest dB' },
  { field: 'recordedAtHz', title: 'Recorded kHz' },
] as const;
export type TrackField = (typeof TRACK_COLUMNS)[number]['field'];

type Daw = Pick<Session, 'tracks' | 'buses' | 'hostProfile'>;

const refuse = (sentence: string): { readonly ok: false; readonly sentence: string } => ({
  ok: false,
  sentence,
});

function whole(text: string, least: number, most: number, what: string): CellReading<number> {
  const number = Number(text.trim());
  return Number.isInteger(number) && number >= least && number <= most
    ? { ok: true, value: number }
    : refuse(`“${text}” is not ${what}, which is a whole number from ${String(least)} to ${String(most)}.`);
}

/** A figure that may be left out. */
function figure(text: string, least: number, most: number, unit: string): CellReading<number | null> {
  if (text.trim() === '') return { ok: true, value: null };
  const number = typedNumber(text);
  return number !== undefined && number >= least && number <= most
    ? { ok: true, value: number }
    : refuse(`“${text}” does not fit. Type ${unit}, from ${String(least)} to ${String(most)}, or nothing.`);
}

/** A sample rate in kHz, as recordings have them. */
function readRate(text: string): CellReading<number | null> {
  if (text.trim() === '') return { ok: true, value: null };
  const rate = SAMPLE_RATES_HZ.find((each) => each === (typedNumber(text) ?? 0) * 1000);
  const known = SAMPLE_RATES_HZ.map((each) => String(each / 1000)).join(', ');
  return rate === undefined
    ? refuse(`“${text}” is not a rate that material has. Type ${known}, or nothing for the session’s.`)
    : { ok: true, value: rate };
}

const WIDTHS: Readonly<Record<string, number>> = { mono: 1, stereo: 2 };

function readKind(text: string): CellReading<TrackKind> {
  const kind = TRACK_KINDS.find((each) => each === text.trim().toLowerCase());
  return kind === undefined
    ? refuse(`“${text}” is not a kind of track; there are ${TRACK_KINDS.join(', ')}.`)
    : { ok: true, value: kind };
}

function readVca(text: string, { tracks }: Daw): CellReading<string | null> {
  if (text.trim() === '') return { ok: true, value: null };
  const vca = tracks.find(
    ({ kind, name }) => kind === 'vca' && name.toLowerCase() === text.trim().toLowerCase(),
  );
  return vca === undefined
    ? refuse(`There is no VCA “${text.trim()}”. Add a track of that kind first.`)
    : { ok: true, value: vca.id };
}

/** Inserts, as far as the kind of host allows them. */
function insertsFor(text: string, { buses, hostProfile }: Daw): CellReading<Track['inserts']> {
  const read = readInserts(text, buses);
  if (!read.ok) return read;
  for (const slot of read.value) {
    if (slot?.kind !== 'hardware') continue;
    if (hostProfile.insertPairs === 'strict' && slot.send !== slot.return)
      return refuse(
        `On this kind of host an insert returns on the number it sends on; write hw ${String(slot.send)}, or choose a host with free pairs.`,
      );
    if (!hostProfile.trims && (slot.sendTrimDb !== 0 || slot.returnTrimDb !== 0))
      return refuse(
        'This kind of host does not trim inserts. Leave the trims out, or choose a host that does.',
      );
  }
  return read;
}

/** Reads what was typed into a cell; the value is that of the track's field, null where it is left out. */
// eslint-disable-next-line max-lines-per-function -- a literal table, one case a column
export function readTrackCell(
  field: TrackField,
  text: string,
  track: Pick<Track, 'width'>,
  daw: Daw,
): CellReading<unknown> {
  switch (field) {
    case 'number':
      return whole(text, 1, 9999, 'a track number');
    case 'name':
      return text.trim() === '' ? refuse('A track has a name.') : { ok: true, value: text.trim() };
    case 'kind':
      return readKind(text);
    case 'width':
      return whole(String(WIDTHS[text.trim().toLowerCase()] ?? text), 1, 16, 'a width');
    case 'input':
      return readInput(text, track, daw.buses);
    case 'inserts':
      return insertsFor(text, daw);
    case 'sends':
      return readSends(text, track, daw.buses);
    case 'faderDb':
      return readLevel(text);
    case 'pan':
      return readPan(text);
    case 'outputs':
      return readOutputs(text, track, daw.buses);
    case 'vca':
      return readVca(text, daw);
    case 'levelDbfs':
      return figure(text, -80, 0, 'dBFS');
    case 'crestDb':
      return figure(text, 0, 40, 'dB');
    case 'recordedAtHz':
      return readRate(text);
  }
}

/** A cell as a person would type it. */
export function trackCellText(
  field: TrackField,
  track: Track,
  { tracks, buses }: Pick<Daw, 'tracks' | 'buses'>,
): string {
  switch (field) {
    case 'input':
      return inputText(track, buses);
    case 'inserts':
      return insertsText(track, buses);
    case 'sends':
      return sendsText(track, buses);
    case 'faderDb':
      return levelText(track.faderDb);
    case 'pan':
      return panText(track.pan);
    case 'outputs':
      return outputsText(track, buses);
    case 'vca':
      return tracks.find(({ id }) => id === track.vca)?.name ?? '';
    case 'levelDbfs':
    case 'crestDb':
      return track[field] === undefined ? '' : decibels(track[field]);
    case 'recordedAtHz':
      return track.recordedAtHz === undefined ? '' : String(track.recordedAtHz / 1000);
    default:
      return String(track[field]);
  }
}
