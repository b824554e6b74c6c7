import type { LaneId, StationId, ThreadId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';
import { sideWord } from '../../../words/mix/sideWord';

/** Where one side of a line starts and ends. */
export interface LineEnds {
  readonly from: LaneId;
  readonly to: LaneId;
}

/**
 * Lines of a scene that bring outputs to named inputs side by side, each over its units.
 * @param chain the units of each side, in order.
 */
export function linesBetween(
  { session, scene }: Pick<WorkedScene, 'session' | 'scene'>,
  { name, purpose }: { readonly name: string; readonly purpose: 'feed' | 'send' },
  ends: readonly LineEnds[],
  chain: readonly (readonly StationId[])[],
): readonly Thread[] {
  const ids = new Set<string>(session.threads.map(({ id }) => id));
  const last = Math.max(0, ...session.threads.map(({ number }) => number));
  return ends.map(({ from, to }, side) => {
    const source = `${name} ${sideWord(side, ends.length)}`.trim();
    const id = idFromName(source, ids, 'line') as ThreadId;
    ids.add(id);
    return threadSchema.parse({
      ...{ id, number: last + 1 + side, purpose, performer: '', source, from, to },
      ...{ inserts: chain[side] ?? [], trackName: '', pins: {}, scenes: [scene.id] },
    });
  });
}
