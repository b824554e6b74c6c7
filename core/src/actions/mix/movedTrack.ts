import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { TrackId } from '../../rig/ids';
import type { Track } from '../../session/daw/trackSchema';
import { byNumber } from '../../session/byNumber';
import type { Session } from '../../session/sessionSchema';
import { movedTo, renumberedBy } from '../movedItem';

/**
 * Puts a track elsewhere on the sheet; the numbers stay, their tracks change.
 * @param by how many places down, or up where negative.
 */
export const movedTrackEdits = (session: Session, id: TrackId, by: number): readonly Edit[] =>
  renumberedBy([...session.tracks].sort(byNumber), id, by, (track) => [track]).map(({ item, number }) =>
    editSet('track', { session: session.id }, item.id, { field: 'number', value: number, was: item.number }),
  );

/** Puts what stands in one slot of a track into another; what lies between moves up or down by one. */
export const movedSlotEdits = (session: Session, track: Track, from: number, to: number): readonly Edit[] => [
  editSet('track', { session: session.id }, track.id, {
    field: 'inserts',
    value: movedTo(track.inserts, from, to),
    was: track.inserts,
  }),
];
