import type { Tempo } from '../session/tempo';

/** Bar and beat, both from 1. */
export interface BarBeat {
  readonly bar: number;
  readonly beat: number;
}

/** Beats and bars at a time from the first bar on; undefined without a tempo. Within a bar the tempo does not change. */
export function barsAt(tempo: readonly Tempo[], seconds: number): BarBeat | undefined {
  const changes = [...tempo].sort((a, b) => a.bar - b.bar);
  const [first] = changes;
  if (first === undefined) return undefined;
  let left = Math.max(0, seconds);
  let bar = 1;
  for (const [i, { bpm, beats }] of changes.entries()) {
    const beatS = 60 / bpm;
    const next = changes[i + 1]?.bar;
    const lastS = next === undefined ? Infinity : (next - bar) * beats * beatS;
    if (left < lastS) {
      // A hair of rounding does not put a beat back.
      const passed = Math.floor(left / beatS + 1e-9);
      return { bar: bar + Math.floor(passed / beats), beat: (passed % beats) + 1 };
    }
    left -= lastS;
    bar = next ?? bar;
  }
  return undefined;
}

/** "17.3". */
export const barText = ({ bar, beat }: BarBeat): string => `${String(bar)}.${String(beat)}`;
