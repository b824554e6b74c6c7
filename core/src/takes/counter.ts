import type { Sync, Take } from './logRows';

const MS = 1000;

/** Where every counter ends: a take that was forgotten does not run for ever, s. */
export const MOST_S = 86_400;

/** Where the counter of a take stands at a moment, ms since 1970: it runs on from where it was set last. */
export function counterAt({ syncs }: Pick<Take, 'syncs'>, nowMs: number): number {
  const last = [...syncs].reverse().find(({ atMs }) => atMs <= nowMs) ?? syncs[0];
  const runsS = last === undefined ? 0 : last.counterS + Math.max(0, nowMs - last.atMs) / MS;
  return Math.min(MOST_S, runsS);
}

/** Where a take starts, s. */
export const startOf = ({ syncs }: Pick<Take, 'syncs'>): number => syncs[0]?.counterS ?? 0;

/** Where a take ends, or stands now. */
export const endOf = (take: Take, nowMs: number): number => take.endS ?? counterAt(take, nowMs);

/** Why a counter cannot be set so, as a sentence; undefined where it can. */
export function syncRefusal(take: Take, { counterS }: Sync): string | undefined {
  const start = startOf(take);
  return counterS < start
    ? `The counter would stand at ${clockText(counterS)}, before the start of take ${String(take.number)} at ${clockText(start)}. Stop the take and start another there.`
    : undefined;
}

/**
 * When something was heard that a key was pressed for: so much earlier, but never before the take.
 * @param nowMs the moment of the key.
 */
export const heardAt = (take: Take, nowMs: number, reactionS: number): number =>
  Math.max(startOf(take), counterAt(take, nowMs) - reactionS);

const two = (n: number): string => String(n).padStart(2, '0');

/** "0:14:05.3", hours first. */
export function clockText(seconds: number): string {
  const tenths = Math.round(seconds * 10);
  const whole = Math.floor(tenths / 10);
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return `${String(h)}:${two(m)}:${two(s)}.${String(tenths % 10)}`;
}

/** Reads "1:02:03.5", "2:03" or "83.2"; undefined where it is none. */
export function readClock(text: string): number | undefined {
  const match = /^(?:(?:(\d{1,2}):)?(\d{1,2}):)?(\d{1,6}(?:[.,]\d{1,3})?)$/.exec(text.trim());
  if (match === null) return undefined;
  const [h, m] = [Number(match[1] ?? 0), Number(match[2] ?? 0)];
  const s = Number((match[3] ?? '').replace(',', '.'));
  if ((match[2] !== undefined && s >= 60) || (match[1] !== undefined && m >= 60)) return undefined;
  const all = h * 3600 + m * 60 + s;
  return all <= MOST_S ? all : undefined;
}
