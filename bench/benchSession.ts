/** The session of the generated studios, without threads and scenes. */
export const BENCH_SESSION = {
  id: 'session',
  name: 'Session',
  sampleRateHz: 48_000,
  wordLengthBits: 24,
  bufferSamples: 64,
  lineUp: { dbfs: -18, dbu: 4 },
  waivers: [],
} as const;
