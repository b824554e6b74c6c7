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
  const gains = path.map((edge, i) => stepDb(rungs, i) ?? edge.gainDb);
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

/** The change of level over the i-th edge of a path: its terms added up. */
function stepDb(rungs: Ladder['rungs'], i: number): number | undefined {
  const terms = rungs[i + 1]?.terms;
  if (terms === undefined) return undefined;
  const [from, to] = [rungs[i]?.unit, rungs[i + 1]?.unit];
  return terms.reduce((sum, term) => {
    switch (term.kind) {
      case 'loading':
        return sum + term.lossDb;
      case 'gain':
      case 'one-leg':
        return sum + term.gainDb;
      case 'reference':
        return sum + (from === 'dBu' && to === 'dBFS' ? -term.referenceDbu : term.referenceDbu);
      default:
        return sum;
    }
  }, 0);
}
