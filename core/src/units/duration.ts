/** Samples to milliseconds at a sample rate in Hz. */
export const msFromSamples = (samples: number, sampleRateHz: number): number =>
  (samples * 1000) / sampleRateHz;

/** Milliseconds to samples (not rounded) at a sample rate in Hz. */
export const samplesFromMs = (ms: number, sampleRateHz: number): number => (ms * sampleRateHz) / 1000;
