import * as z from 'zod';
import { jobIdSchema, stationIdSchema, trackIdSchema } from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { MOST_SLOTS, MOST_SIDES, parallelSchema } from './daw/trackSchema';

/**
 * Where the chain of a job stands: in an insert slot, with a return of its own; or in line, behind the outputs of its
 * track on the way to what they feed, or before its input on the way from what feeds it.
 */
export const jobPlaceSchema = z.discriminatedUnion('in', [
  z.strictObject({
    in: z.literal('slot'),
    slot: z
      .number()
      .int('a whole number')
      .min(1, `slots are counted from 1 to ${String(MOST_SLOTS)}`)
      .max(MOST_SLOTS, `slots are counted from 1 to ${String(MOST_SLOTS)}`),
  }),
  z.strictObject({ in: z.literal('output') }),
  z.strictObject({ in: z.literal('input') }),
]);
export type JobPlace = z.infer<typeof jobPlaceSchema>;

/** A live job keeps its units; one to commit is printed in real time first, and its units are free again then. */
export const JOB_STATES = ['live', 'to commit', 'committed'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** How long it is in real time. */
export const lengthS = z.number().min(1, 'from 1 s to 24 h').max(86_400, 'from 1 s to 24 h');
/** The level a unit is wanted at, RMS at its input. */
export const sweetDbu = z
  .number()
  .min(-40, 'a level from −40 to +30 dBu')
  .max(30, 'a level from −40 to +30 dBu');

/** One wish of the mix: a track that shall pass a chain of units. Which channels it has is in its track and its lines. */
export const jobSchema = z.strictObject({
  id: jobIdSchema,
  /** Its place on the sheet; of jobs that want one unit the smaller number is committed first. */
  number: z.number().int('a whole number').min(1, 'numbers start at 1').max(9999),
  track: trackIdSchema,
  /** Units in order, each with a station for every side of the track. */
  chain: z
    .array(z.array(stationIdSchema).min(1).max(MOST_SIDES))
    .min(1, 'a chain has a unit')
    .max(MOST_ITEMS.threadInserts),
  at: jobPlaceSchema,
  /** The first side of the chain has the middle, the second what differs. */
  midSide: z.literal(true).optional(),
  /** What is heard of the dry signal beside the chain. */
  parallel: parallelSchema.optional(),
  state: z.enum(JOB_STATES),
  sweetDbu: sweetDbu.optional(),
  lengthS: lengthS.optional(),
});
export type Job = z.infer<typeof jobSchema>;

/** What a mix is reckoned with; what is left out is as is usual. */
export const mixSettingsSchema = z.strictObject({
  /** How long the song or reel is: a commit takes as long. */
  lengthS: lengthS.optional(),
  /** How many hardware inserts the machine stands at the small buffer. */
  insertLimit: z.number().int('a whole number').min(1, 'from 1 to 256').max(256, 'from 1 to 256').optional(),
  /** Where units are wanted that no job says otherwise of. */
  sweetDbu: sweetDbu.optional(),
});
export type MixSettings = z.infer<typeof mixSettingsSchema>;

/**
 * Common practice, no source: machines feel it from about twenty inserts on; units are lined up at +4 dBu, pedals hear what
 * an instrument plays.
 */
export const USUAL_MIX_SETTINGS = { insertLimit: 20, sweetDbu: 4, pedalDbu: -20 } as const;
