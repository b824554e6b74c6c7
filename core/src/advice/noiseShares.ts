import type { Edge, SignalGraph } from '../graph/signalGraph';
import type { Ladder } from '../levels/ladder';

/** What one place adds to the noise at the end of a path. */
export interface NoiseShare {
  /** The lane the noise comes in at: the source, or the input or output of a unit. */
  readonly lane: number;
  readonly side: 'source' | 'input' | 'output';
  /** At the end of the path, in its unit. */
  readonly atEnd: number;
  /** Of the noise power at the end, 0 to 1. */
  readonly share: number;
}

/**
 * Where in a chain noise is made: every noise of the ladder carried to its end by the gains after it, the
 * greatest first. Their powers add up to the ladder's last noise.
 */
export function noiseShares(
  graph: SignalGraph,
  start: number,
  path: readonly Edge[],
  { rungs }: Ladder,
): readonly NoiseShare[] {
  const gains = rungs.slice(1).map(({ gainDb }) => gainDb);
  const after = (from: number): number => gains.slice(from).reduce((sum, db) => sum + db, 0);
  const made: Omit<NoiseShare, 'share'>[] = [];
  const source = graph.lanes[start]?.output?.noiseDbu;
  if (source !== undefined) made.push({ lane: start, side: 'source', atEnd: source + after(0) });
  path.forEach((edge, i) => {
    if (edge.inputNoise !== undefined)
      made.push({ lane: edge.from, side: 'input', atEnd: edge.inputNoise + after(i) });
    if (edge.outputNoise !== undefined)
      made.push({ lane: edge.to, side: 'output', atEnd: edge.outputNoise + after(i + 1) });
  });
  const total = made.reduce((sum, { atEnd }) => sum + 10 ** (atEnd / 10), 0);
  return made
    .map((each) => ({ ...each, share: 10 ** (each.atEnd / 10) / total }))
    .sort((a, b) => b.share - a.share);
}
