/** The sample rates a session, a clock or a recording can have. */
export const SAMPLE_RATES_HZ = [44_100, 48_000, 88_200, 96_000, 176_400, 192_000] as const;
export type SampleRateHz = (typeof SAMPLE_RATES_HZ)[number];

/** "44.1 kHz". */
export const formatRate = (rateHz: number): string => `${String(rateHz / 1000)} kHz`;
