import * as z from 'zod';
import { cueIdSchema, deviceIdSchema, sceneIdSchema } from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { nameSchema } from '../rig/rigSchema';

/** A row of a channel sheet. */
export const rowIdSchema = z.string().regex(/^[a-z0-9-]{1,60}$/, 'a row is written aux-3');

/** What makes the mix of a cue: a bus of a device with channels, or outputs of the host that its tracks send to. */
export const carrierSchema = z.discriminatedUnion('on', [
  z.strictObject({
    on: z.literal('console'),
    device: deviceIdSchema,
    /** The bus by its row of the channel sheet: "aux-3", "cue", "mix-2"; both sides of a pair that is made of two. */
    rows: z.array(rowIdSchema).min(1, 'a carrier has a row').max(2, 'at most left and right'),
  }),
  z.strictObject({
    on: z.literal('host'),
    first: z
      .number()
      .int('a whole number')
      .min(1, 'host outputs are counted from 1')
      .max(1024, 'at most 1024'),
    width: z.literal([1, 2]),
  }),
]);
export type Carrier = z.infer<typeof carrierSchema>;

const spillDb = z.number().min(0, 'from 0 to 60 dB').max(60, 'from 0 to 60 dB');

/** A pair of headphones on a cue, by the id of its device, and what is assumed of its spill. */
export const cueHeadphonesSchema = z.strictObject({
  id: deviceIdSchema,
  /** Off the head, whoever they belong to. A pair that is nobody's lies about as well. */
  lying: z.literal(true).optional(),
  /** The microphone it is held against; left out, the open one of its room that has least to say. */
  microphone: deviceIdSchema.optional(),
  distanceM: z.number().min(0.05, 'from 0.05 to 50 m').max(50, 'from 0.05 to 50 m').optional(),
  /** What the build keeps in when they are worn. */
  isolationDb: spillDb.optional(),
  /** What is lost when no ear closes them. */
  couplingLossDb: spillDb.optional(),
});
export type CueHeadphones = z.infer<typeof cueHeadphonesSchema>;

/**
 * What one performer or group hears. Its levels are the sends of its carrier: a cue is a view over them and holds none.
 */
export const cueSchema = z.strictObject({
  id: cueIdSchema,
  /** Its place among the cues. */
  number: z.number().int('a whole number').min(1, 'numbers start at 1').max(9999),
  name: nameSchema,
  carrier: carrierSchema,
  headphones: z.array(cueHeadphonesSchema).max(MOST_ITEMS.performers),
  /** Where it is used. */
  scenes: z.array(sceneIdSchema).max(MOST_ITEMS.scenes),
});
export type Cue = z.infer<typeof cueSchema>;
