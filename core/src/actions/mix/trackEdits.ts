import type { Edit } from '../../edits/make';
import { editAdd, editRemove, editSet, fieldRead } from '../../edits/make';
import type { Rig } from '../../rig/rigSchema';
import type { TrackField } from '../../typed/track/trackCells';
import { readTrackCell } from '../../typed/track/trackCells';
import type { Bus, Track } from '../../session/daw/trackSchema';
import type { TrackTemplate } from '../../session/daw/trackTemplate';
import { tracksFromTemplate } from '../../session/daw/trackTemplate';
import type { Session } from '../../session/sessionSchema';

/** The edits of a typed cell, or why it cannot be so. */
export type CellEdits =
  { readonly ok: true; readonly edits: readonly Edit[] } | { readonly ok: false; readonly sentence: string };

/** What a slot does for a job is not typed: one that stays what it was keeps it. */
function withJobs(typed: Track['inserts'], { inserts }: Track): Track['inserts'] {
  const left = inserts.filter((slot) => slot?.job !== undefined);
  return typed.map((slot) => {
    const at = left.findIndex((was) =>
      slot?.kind === 'hardware'
        ? was?.kind === 'hardware' && was.send === slot.send && was.return === slot.return
        : slot?.kind === 'plugin' && was?.kind === 'plugin' && was.name === slot.name,
    );
    const [was] = at < 0 ? [] : left.splice(at, 1);
    return slot === null || was?.job === undefined ? slot : { ...slot, job: was.job };
  });
}

/** Changes one cell of the track sheet as typed. */
export function trackCellEdits(session: Session, track: Track, field: TrackField, text: string): CellEdits {
  const read = readTrackCell(field, text, track, session);
  if (!read.ok) return read;
  const value = field === 'inserts' ? withJobs(read.value as Track['inserts'], track) : read.value;
  const change = fieldRead('track', field, value, track[field]);
  return { ok: true, edits: [editSet('track', { session: session.id }, track.id, change)] };
}

/** The first DAW host of the rig becomes the session's, where it has none: tracks need one to live on. */
export function hostEdits(rig: Rig, session: Session): readonly Edit[] {
  const host = rig.devices.find(({ type }) => type === 'dawHost');
  if (session.host !== undefined || host === undefined) return [];
  return [editSet('session', {}, session.id, { field: 'host', value: host.id, was: null })];
}

/** Tracks of a template. */
export const templateEdits = (session: Session, template: TrackTemplate): readonly Edit[] =>
  tracksFromTemplate(session, template).map((item) => editAdd('track', { session: session.id }, item));

/** Takes a track out, with how scenes had it armed; tracks that follow it, where it is a VCA, follow none then. */
export function removeTrackEdits(session: Session, track: Track): readonly Edit[] {
  const followers = session.tracks.filter(({ vca }) => vca === track.id);
  return [
    ...followers.map(({ id, vca = null }) =>
      editSet('track', { session: session.id }, id, { field: 'vca', value: null, was: vca }),
    ),
    ...session.scenes.flatMap((scene) =>
      (scene.trackStates ?? [])
        .filter(({ id }) => id === track.id)
        .map(({ id }) => editRemove('trackState', { session: session.id, scene: scene.id }, id)),
    ),
    editRemove('track', { session: session.id }, track.id, track),
  ];
}

/** Everything a track does with a bus, taken out of it. */
function withoutBus(track: Track, bus: Bus): Partial<Track> {
  return {
    ...(track.input.from === 'bus' && track.input.bus === bus.id && { input: { from: 'none' } as const }),
    inserts: track.inserts.map((slot) => {
      if (slot?.kind !== 'plugin' || slot.key !== bus.id) return slot;
      const { key: _key, ...rest } = slot;
      return rest;
    }),
    sends: track.sends.filter(({ destination }) => destination.to !== 'bus' || destination.bus !== bus.id),
    outputs: track.outputs.filter((output) => output.to !== 'bus' || output.bus !== bus.id),
  };
}

/** Takes a bus out, with every input, send, output and key that names it. */
export function removeBusEdits(session: Session, bus: Bus): readonly Edit[] {
  const sets = session.tracks.flatMap((track) =>
    (Object.entries(withoutBus(track, bus)) as [Exclude<keyof Track, 'id'>, unknown][])
      .filter(([field, value]) => JSON.stringify(value) !== JSON.stringify(track[field]))
      .map(([field, value]) =>
        editSet('track', { session: session.id }, track.id, fieldRead('track', field, value, track[field])),
      ),
  );
  return [...sets, editRemove('bus', { session: session.id }, bus.id, bus)];
}
