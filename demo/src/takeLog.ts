import type { Made } from '@ft/core/takes/newRows';
import { newNote, newTake, punchOf, tracksOf } from '@ft/core/takes/newRows';
import type { LogRow, Note, NoteKind, Punch, Take } from '@ft/core/takes/logRows';
import { findScene } from '@ft/core/session/scenePlace';
import type { Thread } from '@ft/core/session/sessionSchema';
import { threadsIn } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { SALTGLASS_PLACE } from './saltglass';

const SESSION = SALTGLASS_PLACE.session;
const BY = 'Control room';
/** An afternoon of overdubs, ms since 1970. */
const START_MS = Date.UTC(2026, 10, 20, 15, 0, 0);
const at = (minute: number): { readonly at: string; readonly atMs: number } => {
  const atMs = START_MS + minute * 60_000;
  return { at: new Date(atMs).toISOString(), atMs };
};

/** The takes of the afternoon: minute of the day, counter and length in seconds, who plays. */
const TAKES = [
  {
    minute: 0,
    counterS: 0,
    lengthS: 372,
    who: ['Imke Tarrow', 'Wen Askelby'],
    text: 'Whole reel, to get in',
  },
  { minute: 11, counterS: 0, lengthS: 368, who: ['Imke Tarrow', 'Wen Askelby'], text: '' },
  { minute: 24, counterS: 130, lengthS: 96, who: ['Imke Tarrow'], text: 'From the ferry on' },
  {
    minute: 31,
    counterS: 0,
    lengthS: 381,
    who: ['Brannoc Teale', 'Saskia Orrel'],
    text: 'Chamber group under it',
  },
  { minute: 43, counterS: 240, lengthS: 71, who: ['Odile Marrable'], text: 'Steps on the quay' },
] as const;

/** What was heard: in which take, when, what about, and whether it is played again. */
const NOTES: readonly {
  readonly take: number;
  readonly s: number;
  readonly about: NoteKind;
  readonly text?: string;
  readonly agreed?: boolean;
}[] = [
  { take: 0, s: 42.5, about: 'noise', text: 'chair' },
  { take: 0, s: 118, about: 'words', text: '“lamplight” for “lantern light”' },
  { take: 0, s: 201.2, about: 'late' },
  { take: 1, s: 40.1, about: 'good' },
  { take: 1, s: 119.4, about: 'good', text: 'this is the one for the first page' },
  { take: 1, s: 171.8, about: 'early', text: 'comes in before the harp', agreed: true },
  { take: 1, s: 260.3, about: 'noise', text: 'page turn', agreed: true },
  { take: 1, s: 300, about: 'pitch', text: 'harp, third string', agreed: false },
  { take: 2, s: 172.2, about: 'good' },
  { take: 2, s: 204.9, about: 'words' },
  { take: 3, s: 64, about: 'pitch', text: 'bass clarinet, low end' },
  { take: 3, s: 187.6, about: 'late', text: 'vibraphone after the bar' },
  { take: 4, s: 251.3, about: 'noise', text: 'sleeve' },
  { take: 4, s: 280, about: 'good' },
];

const REEL = 'Reel 3';

const made = (id: string, minute: number): Made => ({ id, session: SESSION, at: at(minute).at, by: BY });

const ended = (take: Take, minute: number, lengthS: number): Take => {
  const endS = (take.syncs[0]?.counterS ?? 0) + lengthS;
  return { ...take, endedAt: at(minute + lengthS / 60).at, endS };
};

function takesOf(lines: readonly Thread[]): readonly Take[] {
  const rows = new Map<string, LogRow>();
  return TAKES.map(({ minute, counterS, lengthS, who, text }, i) => {
    const performers = [...who];
    const run = { performers, tracks: tracksOf(lines, performers), counterS, atMs: at(minute).atMs };
    const bare = newTake(made(`demo-take-${String(i + 1)}`, minute), rows, { reel: REEL, ...run });
    const take = { ...ended(bare, minute, lengthS), ...(text !== '' && { text }) };
    rows.set(take.id, take);
    return take;
  });
}

const notesIn = (takes: readonly Take[]): readonly Note[] =>
  NOTES.flatMap(({ take: of, s, about, text, agreed }, i): Note[] => {
    const take = takes[of];
    if (take === undefined) return [];
    const id = `demo-note-${String(i + 1).padStart(2, '0')}`;
    return [
      {
        ...newNote(made(id, (TAKES[of]?.minute ?? 0) + 1), take, s, about),
        ...(text !== undefined && { text }),
        ...(agreed !== undefined && { agreed, agreedBy: 'Imke Tarrow' }),
      },
    ];
  });

/** The take that one of the punches was played in, and is used. */
function runOf(punch: Punch, rows: ReadonlyMap<string, LogRow>): Take {
  const run = newTake(made('demo-take-6', 52), rows, {
    ...{ reel: REEL, performers: [punch.performer], tracks: punch.tracks, of: punch.take, punch: punch.id },
    ...{ counterS: punch.inS - punch.preRollS, atMs: at(52).atMs },
  });
  const used = [{ fromS: punch.inS, toS: punch.outS }];
  return { ...ended(run, 52, 16), best: true, used, text: 'In time with the harp' };
}

/** The take log of an afternoon: six takes, the last of which plays one place again, and fourteen notes. */
export function takeLog(studio: Studio): readonly LogRow[] {
  const found = findScene(studio, SALTGLASS_PLACE);
  if (found === undefined) throw new Error('the demo has no scene to log takes in');
  const lines = threadsIn(found.session, found.scene);
  const takes = takesOf(lines);
  const notes = notesIn(takes);
  const who = { performer: 'Imke Tarrow', tracks: tracksOf(lines, ['Imke Tarrow']) };
  const punches = notes
    .filter(({ agreed }) => agreed === true)
    .flatMap((note, i): Punch[] => {
      const take = takes.find(({ id }) => id === note.take);
      return take === undefined
        ? []
        : [punchOf(made(`demo-punch-${String(i + 1)}`, 20), found.session, note, take, who)];
    });
  const [first] = punches;
  if (first === undefined) throw new Error('the demo has no punch');
  const rows = [...takes, ...notes, ...punches];
  return [...rows, runOf(first, new Map(rows.map((row) => [row.id, row])))];
}
