import type { CordId, ThreadId } from '../rig/ids';
import type { Cord } from '../session/sessionSchema';
import type { Realisation } from './realise';

/**
 * Cords without those of one thread. One that another thread runs over as well, to its end or as far as it comes,
 * is handed to that one: two lines of one microphone share its cord.
 * @param runs how the threads of the scene run.
 */
export function cordsWithout(
  cords: readonly Cord[],
  gone: ThreadId,
  runs: readonly Realisation[],
): readonly Cord[] {
  const heirs = new Map<CordId, ThreadId>();
  for (const { thread, path } of runs)
    for (const { cord } of path)
      if (cord !== undefined && thread.id !== gone && !heirs.has(cord)) heirs.set(cord, thread.id);
  return cords.flatMap((cord) => {
    if (cord.thread !== gone) return [cord];
    const heir = heirs.get(cord.id);
    return heir === undefined ? [] : [{ ...cord, thread: heir }];
  });
}
