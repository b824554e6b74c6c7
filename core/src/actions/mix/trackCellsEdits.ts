import type { CellsEdits } from '../cellsEdits';
import { applyChange } from '../../edits/change';
import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { TrackId } from '../../rig/ids';
import type { Session } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { TrackField } from '../../typed/track/trackCells';
import { readOnOff } from '../../typed/settingText';
import type { CellEdits } from './trackEdits';
import { trackCellEdits } from './trackEdits';

/** What of a track is on or off. */
export const TRACK_FLAGS = ['recordArm', 'inputMonitor', 'muted'] as const;
export type TrackFlag = (typeof TRACK_FLAGS)[number];

const FLAG_WORDS: Readonly<Record<TrackFlag, string>> = {
  recordArm: 'record arm',
  inputMonitor: 'input monitoring',
  muted: 'mute',
};

/** A text for a cell of the track sheet. */
export interface TrackCell {
  readonly track: TrackId;
  readonly field: TrackField | TrackFlag;
  readonly text: string;
}

const isFlag = (field: TrackCell['field']): field is TrackFlag =>
  (TRACK_FLAGS as readonly string[]).includes(field);

function cellEdits(session: Session, { track: id, field, text }: TrackCell): CellEdits {
  const track = session.tracks.find((each) => each.id === id);
  if (track === undefined) return { ok: false, sentence: 'This track is not here any more.' };
  if (!isFlag(field)) {
    const done = trackCellEdits(session, track, field, text);
    return done.ok ? done : { ok: false, sentence: `${track.name}: ${done.sentence}` };
  }
  const read = readOnOff(FLAG_WORDS[field], text);
  if (!read.ok) return read;
  const was = track[field];
  const edit = editSet('track', { session: session.id }, id, { field, value: read.value, was });
  return { ok: true, edits: read.value === was ? [] : [edit] };
}

/**
 * Takes texts over into cells of the track sheet, one after the other, so that a later one may build on an earlier:
 * a VCA that was named just before. What does not fit is left out and told; the rest is one change.
 */
export function trackCellsEdits(
  studio: Studio,
  session: Session['id'],
  cells: readonly TrackCell[],
): CellsEdits {
  let now = studio;
  const edits: Edit[] = [];
  const refused: { at: number; sentence: string }[] = [];
  cells.forEach((cell, at) => {
    const found = now.sessions.find(({ id }) => id === session);
    if (found === undefined) return;
    const done = cellEdits(found, cell);
    const next = done.ok ? applyChange(now, done.edits) : undefined;
    if (!done.ok) refused.push({ at, sentence: done.sentence });
    else if (next?.ok === true) {
      now = next.value;
      edits.push(...done.edits);
    } else refused.push({ at, sentence: `“${cell.text}” does not go with the rest of the session.` });
  });
  return { edits, refused };
}
