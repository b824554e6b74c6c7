import * as z from 'zod';

/** Parameter kinds shared by the catalogue. Every refusal is a sentence that says what would fit. */
export const channelCount = (most: number): z.ZodNumber =>
  z.number().int('a whole number of channels').min(1, 'at least 1').max(most, `at most ${most}`);

export const impedanceOhm = z.number().positive('an impedance is above zero ohms').max(1e9);

export const levelDbu = z
  .number()
  .min(-200, 'a level from -200 to +60 dBu')
  .max(60, 'a level from -200 to +60 dBu');

export const latencySamples = z.number().min(0, 'a latency is zero or more samples').max(100_000);

/** Numbers 1 to `count`. */
export const numbersTo = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
