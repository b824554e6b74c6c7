/** Channels on one switch of which some are to play back and others to stay live. */
export interface Split {
  readonly console: string;
  readonly playing: readonly string[];
  readonly staying: readonly string[];
  /** Channels of other switches that nothing is on. */
  readonly free: readonly string[];
}

const MOST_NAMED = 4;
const some = (names: readonly string[]): string =>
  names.length > MOST_NAMED
    ? `${names.slice(0, MOST_NAMED).join(', ')} and ${String(names.length - MOST_NAMED)} more`
    : names.join(', ');

/** What cannot be split, and how to re-arrange it so that it can. */
export function splitSentence({ console, playing, staying, free }: Split): string {
  const few = playing.length <= staying.length ? playing : staying;
  const where =
    free.length >= few.length
      ? `Put the lines of ${some(few)} on channels of another block, ${some(free.slice(0, few.length))} for instance.`
      : `No other block has ${few.length === 1 ? 'a free channel' : `${String(few.length)} free channels`}: let all of them play back, or all stay live.`;
  return `${console} switches ${some(playing)} together with ${some(staying)}, so they cannot play back while these stay live. ${where}`;
}
