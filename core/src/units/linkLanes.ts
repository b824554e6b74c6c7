/** Digital links whose number of lanes depends on the sample rate. */
export const LINK_KINDS = ['optical', 'madi', 'aes3'] as const;
export type LinkKind = (typeof LINK_KINDS)[number];

/** 1 at 44.1 and 48 kHz, 2 at 88.2 and 96 kHz, 4 at 176.4 and 192 kHz. */
export function rateFactor(sampleRateHz: number): 1 | 2 | 4 {
  if (sampleRateHz <= 48_000) return 1;
  return sampleRateHz <= 96_000 ? 2 : 4;
}

/** Lanes at single rate. Optical: eight, common practice, no source. MADI: 64, AES10. AES3: two. */
const AT_SINGLE_RATE: Readonly<Record<LinkKind, number>> = { optical: 8, madi: 64, aes3: 2 };

/** How many lanes a link carries at a sample rate. AES3 keeps its two at every rate. */
export function linkLanes(kind: LinkKind, sampleRateHz: number): number {
  const most = AT_SINGLE_RATE[kind];
  return kind === 'aes3' ? most : most / rateFactor(sampleRateHz);
}
