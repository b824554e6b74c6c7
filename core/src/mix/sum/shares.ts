import { fieldOfOthers } from '../../levels/levelField';
import { arrivalsAt, laneSum } from '../../levels/laneSum';
import type { SoundSource } from '../../levels/soundSources';
import type { WorkedScene } from '../../scene/workedScene';
import { powerOfDb } from '../../units/decibel';
import type { Sum } from '../../session/sumSchema';
import { sumInputs, sumOutputs } from './sumInputs';

/** What one input gives to the sum. */
export interface InputShare {
  readonly input: number;
  /** RMS at the input, dBu. */
  readonly nominalDbu: number;
  /** Of the energy of the sum, 0 to 1. */
  readonly share: number;
  /** Its level in the sum, both sides together, under the whole, dB. */
  readonly underSumDb: number;
  /** How much lower the sum would be without it, dB: that much headroom would be won. */
  readonly withoutDb: number;
}

const known = new WeakMap<WorkedScene, Map<string, readonly InputShare[]>>();

/**
 * Who takes how much of a sum: what stands at each input, carried to the outputs that are printed, as energy. Inputs are
 * unlike each other, so their energies add (10·log10 Σ). Inputs without a known level are left out.
 */
export function sharesOf(context: WorkedScene, sum: Sum): readonly InputShare[] {
  const bySum = known.get(context) ?? new Map<string, readonly InputShare[]>();
  known.set(context, bySum);
  const before = bySum.get(sum.id);
  if (before !== undefined) return before;
  const found = worked(context, sum);
  bySum.set(sum.id, found);
  return found;
}

function worked(context: WorkedScene, sum: Sum): readonly InputShare[] {
  const { graph, field } = context;
  const heard = sumInputs(context, sum).flatMap(({ number, lane }) => {
    const { nominal } = laneSum(field, lane);
    return nominal === undefined || nominal === -Infinity ? [] : [{ number, lane, nominal }];
  });
  const sources = heard.map(({ lane, nominal }): SoundSource => ({ lane, nominal, delaySamples: 0 }));
  const carried = fieldOfOthers(field, graph, sources);
  const outs = sumOutputs(context, sum);
  const energies = heard.map(({ nominal }, i) =>
    outs.reduce(
      (total, out) =>
        total +
        arrivalsAt(carried, out)
          .filter(({ source }) => source === i)
          .reduce((power, { gainDb }) => power + powerOfDb(nominal + gainDb), 0),
      0,
    ),
  );
  const total = energies.reduce((all, each) => all + each, 0);
  return heard.flatMap(({ number, nominal }, i): readonly InputShare[] => {
    const energy = energies[i] ?? 0;
    if (energy === 0) return [];
    const share = energy / total;
    const underSumDb = 10 * Math.log10(share);
    return [
      { input: number, nominalDbu: nominal, share, underSumDb, withoutDb: -10 * Math.log10(1 - share) },
    ];
  });
}

/** A place that takes more than this is pointed out: everything else lives in what it leaves. */
export const TOO_MUCH = 0.5;
