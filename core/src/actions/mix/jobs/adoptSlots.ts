import { editAdd, editSet } from '../../../edits/make';
import { hostOf } from '../../../graph/dawTracks';
import { slotsByHand } from '../../../mix/slotsByHand';
import type { JobId, StationId } from '../../../rig/ids';
import { idFromName, laneIdOf } from '../../../rig/ids';
import { jobSchema } from '../../../session/jobSchema';
import type { Track } from '../../../session/daw/trackSchema';
import type { Thread } from '../../../session/sessionSchema';
import { chainText } from '../../../views/mix/chainText';
import type { SettingUp } from '../../settingUp';
import { slotsSet } from './jobEdits';

/** The lines that go out where a slot sends, one for each side. */
function linesOf({ it: { context } }: SettingUp, track: Track, at: number): readonly (Thread | undefined)[] {
  const host = hostOf(context.rig.devices, context.session);
  const slot = track.inserts[at];
  if (host === undefined || slot?.kind !== 'hardware') return [];
  return Array.from({ length: track.width }, (_, side) => {
    const from = laneIdOf(host.id, 'output', slot.send + side);
    return context.threads.find(({ thread }) => thread.from === from && thread.purpose === 'insert')?.thread;
  });
}

/** The chain of lines side by side: undefined where the sides pass different numbers of units, or none. */
function chainOf(lines: readonly (Thread | undefined)[]): StationId[][] | undefined {
  const count = lines[0]?.inserts.length ?? 0;
  if (count === 0 || lines.some((line) => line?.inserts.length !== count)) return undefined;
  return Array.from({ length: count }, (_, i) => lines.flatMap((line) => line?.inserts[i] ?? []));
}

function adopt(up: SettingUp, track: Track, at: number): void {
  const { session } = up.it.context;
  const lines = linesOf(up, track, at);
  const chain = chainOf(lines);
  if (chain === undefined) {
    up.leaveOut(
      track.name,
      'chain',
      `No line of the input list says which units slot ${String(at + 1)} goes through in this scene. Write the job as ${track.name}: unit > unit instead, and clear the slot.`,
    );
    return;
  }
  const id = idFromName(`${track.name} job`, new Set(session.jobs.map((job) => job.id)), 'job') as JobId;
  const place = { session: session.id };
  const number = Math.max(0, ...session.jobs.map((job) => job.number)) + 1;
  const job = jobSchema.parse({
    ...{ id, number, track: track.id, chain, at: { in: 'slot', slot: at + 1 }, state: 'live' },
  });
  const slots = track.inserts.map((slot, i) => (i === at && slot !== null ? { ...slot, job: id } : slot));
  const edits = lines.flatMap((line) =>
    line === undefined
      ? []
      : [editSet('thread', place, line.id, { field: 'job', value: id, was: line.job ?? null })],
  );
  if (up.make([editAdd('job', place, job), ...slotsSet(up.it, track, slots), ...edits]))
    up.say(track.name, `slot ${String(at + 1)}`, `a job now: ${chainText(up.it.context, job)}`);
}

/** Makes jobs of the hardware slots that were filled by hand; their channels and lines stay as they are. */
export function adoptSlots(up: SettingUp): void {
  for (const track of up.it.context.session.tracks)
    for (const at of slotsByHand(track)) {
      const now = up.it.context.session.tracks.find(({ id }) => id === track.id);
      if (now !== undefined) adopt(up, now, at);
    }
}
