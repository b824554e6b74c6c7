import { editSet } from '../../../edits/make';
import { hostOf } from '../../../graph/dawTracks';
import { sumOutputs } from '../../../mix/sum/sumInputs';
import type { ThreadId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';
import type { Sum } from '../../../session/sumSchema';
import { sideWord } from '../../../words/mix/sideWord';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits } from '../../track/threadEdits';
import { hostInput } from '../jobs/jobLines';
import { standstill } from '../jobs/jobRoutes';

/** Lines from the outputs of a sum to the inputs of the track it is printed on, as far as they are not there. */
function missingLines(up: SettingUp, sum: Sum, first: number): readonly Thread[] {
  const { context } = up.it;
  const host = hostOf(context.rig.devices, context.session);
  const taken = new Set<string>(context.session.threads.map(({ id }) => id));
  const last = Math.max(0, ...context.session.threads.map((thread) => thread.number));
  let lead: ThreadId | undefined;
  const outs = sumOutputs(context, sum);
  return outs.flatMap((lane, side): readonly Thread[] => {
    const from = context.graph.lanes[lane]?.id;
    const input = host && hostInput(context, host.id, first + side);
    const isThere = context.session.threads.some(
      (thread) => thread.purpose === 'print' && thread.from === from,
    );
    if (from === undefined || input === undefined || isThere) return [];
    const word = sideWord(side, outs.length);
    const id = idFromName(`${sum.name} print ${word}`, taken, 'print') as ThreadId;
    taken.add(id);
    const link = lead === undefined ? {} : { link: { lead, place: side + 1 } };
    lead ??= id;
    return [
      threadSchema.parse({
        ...{
          id,
          number: last + 1 + side,
          purpose: 'print',
          performer: '',
          source: `${sum.name} ${word}`.trim(),
          from,
          inserts: [],
        },
        ...{ trackName: '', pins: { 'daw-input': input }, scenes: [context.scene.id], ...link },
      }),
    ];
  });
}

/** Brings a sum back to the track it is printed on. */
export function printReturn(up: SettingUp, sum: Sum): void {
  const track = up.it.context.session.tracks.find(({ id }) => id === sum.print);
  if (track === undefined) return;
  if (track.input.from !== 'host') {
    up.leaveOut(
      track.name,
      'print',
      `${track.name} takes in no input of the host. Give it one under Mix, Tracks.`,
    );
    return;
  }
  const lines = missingLines(up, sum, track.input.first);
  if (lines.length === 0) return;
  const isThere = up.attempt(() => {
    up.make(addThreadsEdits(up.it.studio, up.it.place, lines));
    const why = standstill(up, lines);
    if (why !== undefined) up.leaveOut(track.name, 'print', why);
    return why === undefined;
  });
  if (isThere) up.say(track.name, 'print', `the sum comes back to input ${String(track.input.first)}`);
}

/** Says which track a sum is printed on, and brings it there. */
export function setPrint(up: SettingUp, sum: Sum, print: Sum['print']): void {
  const was = sum.print ?? null;
  if (was === (print ?? null)) return;
  const change = { field: 'print', value: print ?? null, was } as const;
  if (!up.make([editSet('sum', { session: up.it.place.session }, sum.id, change)])) return;
  const now = up.it.context.session.sums.find(({ id }) => id === sum.id);
  if (now !== undefined) printReturn(up, now);
}
