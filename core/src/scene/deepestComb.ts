import type { Arrival } from '../levels/arrival';
import type { Comb, Difference } from '../timing/comb';
import { combOf } from '../timing/comb';
import { TOLERANCE } from '../units/tolerance';

/** The two ways of one sound that make the deepest comb. */
export function deepestComb(
  { ways }: { readonly ways: readonly { readonly arrival: Arrival }[] },
  sampleRateHz: number,
): { readonly difference: Difference; readonly comb: Comb } | undefined {
  const sorted = ways.map(({ arrival }) => arrival).sort((a, b) => b.gainDb - a.gainDb);
  const [strongest] = sorted;
  const other = sorted.find(
    (each) =>
      strongest !== undefined &&
      Math.abs(each.alignedSamples - strongest.alignedSamples) >= TOLERANCE.samples,
  );
  if (strongest === undefined || other === undefined) return undefined;
  const difference = {
    differenceSamples: other.alignedSamples - strongest.alignedSamples,
    levelDifferenceDb: strongest.gainDb - other.gainDb,
    inverted: strongest.inverted !== other.inverted,
  };
  return { difference, comb: combOf(difference, sampleRateHz) };
}
