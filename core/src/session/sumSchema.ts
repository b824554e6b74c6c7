import * as z from 'zod';
import { deviceIdSchema, sceneIdSchema, sumIdSchema, trackIdSchema } from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { nameSchema } from '../rig/rigSchema';

/** What a stem sounds like to whoever shares out the inputs of a sum. */
export const SOUNDS = ['hit', 'percussion', 'bass', 'lead', 'other', 'long', 'effects'] as const;
export type Sound = (typeof SOUNDS)[number];

/** How inputs are used: schools to start from, and one's own. */
export const SCHOOLS = [
  'two mono, rest pairs',
  'all pairs',
  'mono pairs, rest pairs',
  'track for track',
  'own',
] as const;
export type School = (typeof SCHOOLS)[number];

/** Inputs counted through all mixers: one, or two side by side. */
export const sumInputsSchema = z
  .array(z.number().int('a whole number').min(1, 'inputs are counted from 1').max(256, 'at most 256'))
  .min(1)
  .max(2, 'a place has one input or two');

/** A track that is summed outside the host, and where. */
export const stemSchema = z.strictObject({
  track: trackIdSchema,
  sound: z.enum(SOUNDS),
  /** Left out as long as it has no place. */
  inputs: sumInputsSchema.optional(),
  /** A person said so: it never moves. */
  isTyped: z.literal(true).optional(),
});
export type Stem = z.infer<typeof stemSchema>;

/** Stems against the inputs of a summing mixer, of several in a chain, or of a console used as one. */
export const sumSchema = z.strictObject({
  id: sumIdSchema,
  name: nameSchema,
  /** The first is what is printed; each other hands its bus on to the one before it. */
  mixers: z.array(deviceIdSchema).min(1, 'a sum has a mixer').max(8, 'at most eight mixers'),
  school: z.enum(SCHOOLS),
  /** Of one's own school: the places, in order. */
  layout: z.array(sumInputsSchema).max(256).optional(),
  stems: z.array(stemSchema).max(MOST_ITEMS.stems),
  scenes: z.array(sceneIdSchema).max(MOST_ITEMS.scenes),
  /** The track the sum is recorded on. */
  print: trackIdSchema.optional(),
});
export type Sum = z.infer<typeof sumSchema>;
