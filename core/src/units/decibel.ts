/** Ratio of two voltages (or pressures) to decibels. 0 gives -Infinity. */
export const dbFromVoltageRatio = (ratio: number): number => 20 * Math.log10(ratio);

/** Decibels to a power ratio. */
export const powerOfDb = (db: number): number => 10 ** (db / 10);

/** Decibels to a voltage ratio. */
export const voltageRatioFromDb = (db: number): number => 10 ** (db / 20);

/**
 * Sum of unrelated signals or noises, each in the same decibel unit: `10·log10 Σ 10^(L/10)`.
 * An empty list is silence, -Infinity.
 */
export function powerSumDb(levelsDb: readonly number[]): number {
  const power = levelsDb.reduce((sum, levelDb) => sum + 10 ** (levelDb / 10), 0);
  return 10 * Math.log10(power);
}

/** Sum of voltages in phase, each in the same decibel unit: `20·log10 Σ 10^(L/20)`. Silence where there are none. */
export const voltageSumDb = (levelsDb: readonly number[]): number =>
  dbFromVoltageRatio(levelsDb.reduce((sum, levelDb) => sum + voltageRatioFromDb(levelDb), 0));

/** What N equal signals add up to, over one of them: unrelated (power) and identical (voltage). */
export function equalSumDb(count: number): { unrelatedDb: number; identicalDb: number } {
  return { unrelatedDb: 10 * Math.log10(count), identicalDb: 20 * Math.log10(count) };
}
