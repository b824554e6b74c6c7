import { editSet } from '../../../edits/make';
import { sumOutputs } from '../../../mix/sum/sumInputs';
import type { Thread } from '../../../session/sessionSchema';
import type { Sum } from '../../../session/sumSchema';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits } from '../../track/threadEdits';
import { standstill } from '../jobs/jobRoutes';
import { recordLines } from './recordLines';

/** Lines from the outputs of a sum to the inputs of the track it is printed on, as far as they are not there. */
function missingLines({ it: { context } }: SettingUp, sum: Sum, first: number): readonly Thread[] {
  const outs = sumOutputs(context, sum);
  return recordLines(
    context,
    sum.name,
    outs.map((lane, side) => ({ lane, input: first + side })),
  );
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
