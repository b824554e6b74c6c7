/** Level of a centred source in each side, dB. Common practice, no source. */
export const PAN_LAWS_DB = [-3, -4.5, -6] as const;
export type PanLawDb = (typeof PAN_LAWS_DB)[number];

/** Below this a side is silent, dB. */
export const SILENT_DB = -100;

/** Two sides added at half voltage each, dB: what is alike in both keeps its level. */
export const HALF_EACH_DB = 20 * Math.log10(0.5);

/** How many powers of the cosine give each law: cos 45° is −3.01 dB. */
const EXPONENT: Readonly<Record<PanLawDb, number>> = { [-3]: 1, [-4.5]: 1.5, [-6]: 2 };

/**
 * Gains of the two sides of a pan pot, dB. Full to one side leaves it as it is and silences the other.
 * @param position -100 is full left, 0 the centre, 100 full right.
 */
export function panGainsDb(position: number, law: PanLawDb): readonly [left: number, right: number] {
  const angle = ((position + 100) / 200) * (Math.PI / 2);
  const gain = (side: number): number => (side < 1e-9 ? -Infinity : 20 * EXPONENT[law] * Math.log10(side));
  return [gain(Math.cos(angle)), gain(Math.sin(angle))];
}
