import type { Edit } from '../../edits/make';
import { editAdd, editSet, fieldRead } from '../../edits/make';
import { sameValue } from '../../edits/sameValue';
import { idFromName } from '../../rig/ids';
import { nameSchema } from '../../rig/rigSchema';
import type { TrackField } from '../../typed/track/trackCells';
import { readTrackCell, TRACK_COLUMNS, trackCellText } from '../../typed/track/trackCells';
import type { Bus, Track } from '../../session/daw/trackSchema';
import { trackSchema } from '../../session/daw/trackSchema';
import { plainTrack } from '../../session/daw/trackTemplate';
import type { Session } from '../../session/sessionSchema';
import type { CsvColumn, CsvProblem, CsvRow } from './csvTable';
import { readCsv, writeCsv } from './csvTable';
import type { TableLine, TableReading } from './tableReading';

const COLUMNS: readonly CsvColumn[] = [
  { title: 'Name', also: ['Track'], required: true },
  { title: 'Kind', also: ['Type'], required: false },
  { title: 'Width', required: false },
  { title: 'Input', required: false },
  { title: 'Outputs', also: ['Output'], required: false },
  { title: 'Inserts', required: false },
  { title: 'Sends', required: false },
  { title: 'Fader', required: false },
  { title: 'Pan', required: false },
  { title: 'VCA', required: false },
  { title: 'Plays dBFS', also: ['Level'], required: false },
  { title: 'Crest dB', also: ['Crest'], required: false },
  { title: 'Recorded kHz', required: false },
  { title: 'No', also: ['Number'], required: false },
];

/** Width comes first: it decides what the other cells mean. */
const FIELDS: readonly TrackField[] = [
  'kind',
  'width',
  'number',
  'input',
  'outputs',
  'inserts',
  'sends',
  'faderDb',
  'pan',
  'vca',
  'levelDbfs',
  'crestDb',
  'recordedAtHz',
];
const titleOf = (field: TrackField): string =>
  TRACK_COLUMNS.find((column) => column.field === field)?.title ?? field;

const widthOf = (row: CsvRow): number =>
  Number(
    row
      .cell('Width')
      .replace(/^mono$/i, '1')
      .replace(/^stereo$/i, '2'),
  ) || 1;

/** The buses a line names in its input and outputs. */
const busNames = (row: CsvRow): readonly string[] =>
  [row.cell('Input'), ...row.cell('Outputs').split(/[+;]/)].flatMap((part) => {
    const name = /^\s*bus\s+(.+?)\s*$/i.exec(part)?.[1];
    return name === undefined ? [] : [name];
  });

/** Buses a table names that the session does not have: as wide as the widest track that uses them. */
function newBuses(rows: readonly CsvRow[], session: Session): readonly Bus[] {
  const known = new Set(session.buses.map(({ name }) => name.toLowerCase()));
  const taken = new Set<string>(session.buses.map(({ id }) => id));
  const made = new Map<string, Bus>();
  for (const row of rows)
    for (const name of busNames(row)) {
      const key = name.toLowerCase();
      if (known.has(key)) continue;
      const before = made.get(key);
      const id = before?.id ?? (idFromName(name, taken, 'bus') as Bus['id']);
      taken.add(id);
      made.set(key, { id, name: before?.name ?? name, width: Math.max(before?.width ?? 1, widthOf(row)) });
    }
  return [...made.values()];
}

interface Known {
  readonly session: Session;
  readonly tracks: readonly Track[];
}

function readTrack(row: CsvRow, { session, tracks }: Known): Track | readonly CsvProblem[] {
  const name = row.cell('Name');
  if (name === '') return [{ line: row.line, column: row.columnOf('Name'), sentence: 'A track has a name.' }];
  const taken = new Set<string>([...session.tracks, ...tracks].map(({ id }) => id));
  const number = Math.max(0, ...[...session.tracks, ...tracks].map((track) => track.number)) + 1;
  const existing = session.tracks.find((track) => track.name.toLowerCase() === name.toLowerCase());
  let track =
    existing ??
    plainTrack({
      id: idFromName(name, taken, 'track') as Track['id'],
      number,
      name,
      kind: 'audio',
      width: 1,
    });
  const problems: CsvProblem[] = [];
  for (const field of FIELDS) {
    const typed = row.cell(titleOf(field));
    if (typed === '') continue;
    const read = readTrackCell(field, typed, track, { ...session, tracks: [...session.tracks, ...tracks] });
    if (read.ok) track = { ...track, [field]: read.value };
    else problems.push({ line: row.line, column: row.columnOf(titleOf(field)), sentence: read.sentence });
  }
  if (problems.length > 0) return problems;
  const parsed = trackSchema.safeParse(track);
  return parsed.success ? track : misfits(row, 'Name', parsed.error.issues);
}

/** What the schema refuses, before it is offered to be taken in. */
const misfits = (row: CsvRow, title: string, issues: readonly { readonly message: string }[]): CsvProblem[] =>
  issues.map(({ message }) => ({
    line: row.line,
    column: row.columnOf(title),
    sentence: `${title}: ${message}.`,
  }));

const isTrack = (it: Track | readonly CsvProblem[]): it is Track => 'id' in it;

function trackEdits(session: Session, track: Track): readonly Edit[] {
  const before = session.tracks.find(({ id }) => id === track.id);
  if (before === undefined) return [editAdd('track', { session: session.id }, track)];
  return (Object.keys(track) as Exclude<keyof Track, 'id'>[])
    .filter((field) => !sameValue(track[field], before[field]))
    .map((field) =>
      editSet(
        'track',
        { session: session.id },
        track.id,
        fieldRead('track', field, track[field], before[field]),
      ),
    );
}

/** Reads a track list. Tracks of a known name are changed, new ones added, buses it names made. */
// eslint-disable-next-line max-lines-per-function -- one pass over the rows that collects lines, edits and problems together
export function readTracksCsv(text: string, session: Session): TableReading {
  const table = readCsv(text, COLUMNS);
  if (!table.ok) return { ok: false, problems: [table.problem] };
  const buses = newBuses(table.rows, session);
  const withBuses: Session = { ...session, buses: [...session.buses, ...buses] };
  const tracks: Track[] = [];
  const problems: CsvProblem[] = [];
  const lines: TableLine[] = [];
  const edits: Edit[] = buses.map((item) => editAdd('bus', { session: session.id }, item));
  for (const row of table.rows) {
    for (const name of busNames(row)) {
      const parsed = nameSchema.safeParse(name);
      if (!parsed.success) problems.push(...misfits(row, 'Outputs', parsed.error.issues));
    }
    const read = readTrack(row, { session: withBuses, tracks });
    if (!isTrack(read)) {
      problems.push(...read);
      continue;
    }
    const twice = tracks.find((track) => track.name.toLowerCase() === read.name.toLowerCase());
    if (twice !== undefined)
      problems.push({
        line: row.line,
        column: row.columnOf('Name'),
        sentence: `A track “${read.name}” stands above already. Give one of them another name.`,
      });
    tracks.push(read);
    const made = trackEdits(session, read);
    edits.push(...made);
    const isNew = made.some(({ type }) => type === 'track.add');
    lines.push({
      line: row.line,
      change: isNew ? 'new' : made.length > 0 ? 'changed' : 'there',
      text: read.name,
    });
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, lines, edits };
}

const fieldOf = (title: string): TrackField =>
  TRACK_COLUMNS.find((column) => column.title === title)?.field ?? 'name';

/** The tracks of a session in the order of their numbers. */
export const tracksCsv = (session: Session): string =>
  writeCsv(
    COLUMNS.map(({ title }) => title),
    [...session.tracks]
      .sort((a, b) => a.number - b.number)
      .map((track) => COLUMNS.map(({ title }) => trackCellText(fieldOf(title), track, session))),
  );
