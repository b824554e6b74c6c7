import * as z from 'zod';

/** Parameter kinds shared by the catalogue. Every refusal is a sentence that says what would fit. */
export const channelCount = (most: number): z.ZodNumber =>
  z.number().int('a whole number of channels').min(1, 'at least 1').max(most, `at most ${most}`);

/** A count that may be none. */
export const countTo = (most: number): z.ZodNumber =>
  z.number().int('a whole number').min(0, 'none or more').max(most, `at most ${most}`);

export const impedanceOhm = z.number().positive('an impedance is above zero ohms').max(1e9);

export const levelDbu = z
  .number()
  .min(-200, 'a level from -200 to +60 dBu')
  .max(60, 'a level from -200 to +60 dBu');

export const gainDb = z
  .number()
  .min(-120, 'a gain from -120 to +90 dB')
  .max(90, 'a gain from -120 to +90 dB');

export const latencySamples = z.number().min(0, 'a latency is zero or more samples').max(100_000);

export const latencyMs = z.number().min(0, 'a latency is zero or more ms').max(10_000);

export const noiseDbfs = z
  .number()
  .min(-200, 'a level from -200 to 0 dBFS')
  .max(0, 'a level from -200 to 0 dBFS');

/** Analogue levels of a 0 dBFS sine that a switch offers, dBu. Common practice, no source. */
export const referenceLevels = z
  .array(levelDbu)
  .min(1, 'at least one reference level')
  .default([13, 18, 19, 20, 22, 24]);

/** Numbers 1 to `count`. */
export const numbersTo = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

/** Channels as engineers letter them: "A" for 1. */
export const letter = (channel: number): string => String.fromCharCode(64 + channel);
