import type { Edit } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import { hostOf } from '../../../graph/dawTracks';
import { laneIdOf } from '../../../rig/ids';
import { after, thenRoute } from '../../track/threadEdits';
import type { WorkPlace } from '../../workPlace';
import { hostInput } from './jobLines';

/** Brings an insert back over other inputs of the host, and its lines with it. @param slot counted from 1. */
export function returnedOn(
  { studio, place, context }: WorkPlace,
  track: string | undefined,
  slot: number,
  back: number,
): readonly Edit[] {
  const found = context.session.tracks.find(({ id }) => id === track);
  const hardware = found?.inserts[slot - 1];
  const host = hostOf(context.rig.devices, context.session);
  if (found === undefined || hardware?.kind !== 'hardware' || host === undefined) return [];
  const session = { session: place.session };
  const inserts = found.inserts.map((each, i) => (i === slot - 1 ? { ...hardware, return: back } : each));
  const slots = editSet('track', session, found.id, { field: 'inserts', value: inserts, was: found.inserts });
  const lines = Array.from({ length: found.width }, (_, side) => {
    const from = laneIdOf(host.id, 'output', hardware.send + side);
    const line = context.threads.find(({ thread }) => thread.from === from && thread.purpose === 'insert');
    const input = hostInput(context, host.id, back + side);
    return line === undefined || input === undefined ? [] : [{ thread: line.thread, input }];
  }).flat();
  const pins = lines.map(({ thread, input }) =>
    editSet('thread', session, thread.id, {
      ...{ field: 'pins.daw-input', value: input, was: thread.pins['daw-input'] ?? null },
    }),
  );
  const edits = [slots, ...pins];
  if (after(studio, edits) === undefined) return [];
  return thenRoute(
    studio,
    place,
    edits,
    lines.map(({ thread }) => thread.id),
  );
}
