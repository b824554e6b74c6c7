import type { StripHop } from './strip';

/** What the ladder draws of a hop. */
export const LADDER_LINES = ['nominal', 'peak', 'noise', 'max'] as const;
export type LadderLine = (typeof LADDER_LINES)[number];

/** The levels of one hop as heights on the ladder's scale, dBu. */
export type LadderHeights = Readonly<Partial<Record<LadderLine, number>>>;

/** What the scale of every ladder reaches over, dBu: from the noise of a lossless wire to a hot line output. */
export const LADDER_RANGE_DBU = { top: 30, bottom: -135 } as const;

/** Where the scale is marked, dBu. */
export const LADDER_TICKS_DBU = [0, -40, -80, -120] as const;

/** The first hop behind a converter, if there is one: from there on figures are dBFS. */
export function firstDigital(hops: readonly StripHop[]): number | undefined {
  const at = hops.findIndex((hop, i) => hop.unit === 'dBFS' && hops[i - 1]?.unit === 'dBu');
  return at < 0 ? undefined : at;
}

/**
 * What to add to a hop's levels so that all lie on one dBu scale: behind a converter 0 dBFS stands
 * where the analogue level of full scale stood.
 */
function dbuOffsets(hops: readonly StripHop[]): readonly number[] {
  let offset = 0;
  return hops.map((hop, i) => {
    const before = hops[i - 1];
    if (before !== undefined && before.unit !== hop.unit)
      offset = hop.unit === 'dBFS' ? (before.max ?? 0) : 0;
    return offset;
  });
}

/** The heights of all hops on one scale, so that a level which a converter keeps is drawn level. */
export function ladderHeights(hops: readonly StripHop[]): readonly LadderHeights[] {
  const offsets = dbuOffsets(hops);
  return hops.map((hop, i) =>
    Object.fromEntries(
      LADDER_LINES.flatMap((line) => {
        const level = hop[line];
        return level === undefined ? [] : [[line, level + (offsets[i] ?? 0)]];
      }),
    ),
  );
}
