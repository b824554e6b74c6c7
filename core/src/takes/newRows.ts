import type { SessionId } from '../rig/ids';
import type { Session, Thread } from '../session/sessionSchema';
import { USUAL_TAKE_SETTINGS } from '../session/tempo';
import { startOf } from './counter';
import type { Log } from './applyOps';
import type { Note, Punch, Take } from './logRows';

/** Who makes a row, when, and under which id: nothing of it is made here. */
export interface Made {
  readonly id: string;
  readonly session: SessionId;
  readonly at: string;
  readonly by: string;
}

/** How takes are logged in a session, with what is usual where nobody said. */
export const takeSettings = ({ takes }: Pick<Session, 'takes'>) => ({ ...USUAL_TAKE_SETTINGS, ...takes });

/** The number of the next take of a reel. */
export const nextNumber = (log: Log, reel: string): number =>
  1 +
  Math.max(0, ...[...log.values()].map((row) => (row.kind === 'take' && row.reel === reel ? row.number : 0)));

const isRecorded = ({ purpose, trackName }: Thread): boolean => purpose === 'input' && trackName !== '';

/** Whether a line is of somebody: theirs, or nobody’s, as that of a room. */
const isOf =
  (performers: readonly string[]) =>
  ({ performer }: Thread): boolean =>
    performer === '' || performers.includes(performer);

/** The tracks that are armed when some people play: every line of theirs, spot and room. */
export const tracksOf = (lines: readonly Thread[], performers: readonly string[]): string[] => [
  ...new Set(
    lines
      .filter(isRecorded)
      .filter(isOf(performers))
      .map(({ trackName }) => trackName),
  ),
];

/** Everybody who has a line that is recorded, in the order of the input list. */
export const playersIn = (lines: readonly Thread[]): readonly string[] => [
  ...new Set(lines.filter(isRecorded).flatMap(({ performer }) => (performer === '' ? [] : [performer]))),
];

/** A take that starts now. */
export const newTake = (
  made: Made,
  log: Log,
  run: Pick<Take, 'reel' | 'performers' | 'tracks'> &
    Take['syncs'][number] &
    Partial<Pick<Take, 'of' | 'punch'>>,
): Take => {
  const { reel, performers, tracks, counterS, atMs, of, punch } = run;
  return {
    ...{ kind: 'take', ...made, reel, number: nextNumber(log, reel), performers, tracks },
    syncs: [{ atMs, counterS }],
    ...(of !== undefined && { of }),
    ...(punch !== undefined && { punch }),
  };
};

/** A note in a take. */
export const newNote = (made: Made, take: Take, counterS: number, about?: Note['about']): Note => ({
  ...{ kind: 'note', ...made, take: take.id, counterS },
  ...(about !== undefined && { about }),
});

/** So much is played again around a note, until somebody types in and out. An assumption. */
const AROUND_S = 2;

/** The punch a note becomes once it is agreed. */
export function punchOf(
  made: Made,
  session: Pick<Session, 'takes'>,
  note: Note,
  take: Take,
  who: Pick<Punch, 'performer' | 'tracks'>,
): Punch {
  const { preRollS, postRollS } = takeSettings(session);
  return {
    ...{ kind: 'punch', ...made, take: take.id, note: note.id, ...who },
    inS: Math.max(startOf(take), note.counterS - AROUND_S),
    outS: note.counterS + AROUND_S,
    ...{ preRollS, postRollS, layer: 'last take', ends: 'at out' },
  };
}

/** Recording runs before and after a punch, so that its edges can be opened later. */
export const recordedEdges = ({
  inS,
  outS,
  preRollS,
  postRollS,
}: Punch): { readonly fromS: number; readonly toS: number } => ({
  fromS: Math.max(0, inS - preRollS),
  toS: outS + postRollS,
});
