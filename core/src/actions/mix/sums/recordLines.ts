import { hostOf } from '../../../graph/dawTracks';
import type { ThreadId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';
import { sideWord } from '../../../words/mix/sideWord';
import { hostInput } from '../jobs/jobLines';

/** An output that is recorded, and the input of the host it is recorded on. */
export interface RecordEnd {
  readonly lane: number;
  readonly input: number;
}

/**
 * Lines that record outputs side by side on inputs of the host; an output that is recorded by a line already gets none.
 * @param name what they record; the sides stand behind it.
 */
export function recordLines(
  context: WorkedScene,
  name: string,
  ends: readonly RecordEnd[],
): readonly Thread[] {
  const { graph, rig, session, scene } = context;
  const host = hostOf(rig.devices, session);
  const taken = new Set<string>(session.threads.map(({ id }) => id));
  const last = Math.max(0, ...session.threads.map(({ number }) => number));
  let lead: ThreadId | undefined;
  return ends.flatMap(({ lane, input: number }, side): readonly Thread[] => {
    const from = graph.lanes[lane]?.id;
    const input = host && hostInput(context, host.id, number);
    const isThere = session.threads.some((thread) => thread.purpose === 'print' && thread.from === from);
    if (from === undefined || input === undefined || isThere) return [];
    const word = sideWord(side, ends.length);
    const source = `${name} ${word}`.trim();
    const id = idFromName(`${name} print ${word}`, taken, 'print') as ThreadId;
    taken.add(id);
    const link = lead === undefined ? {} : { link: { lead, place: side + 1 } };
    lead ??= id;
    return [
      threadSchema.parse({
        ...{ id, number: last + 1 + side, purpose: 'print', performer: '', source, from, inserts: [] },
        ...{ trackName: '', pins: { 'daw-input': input }, scenes: [scene.id], ...link },
      }),
    ];
  });
}
