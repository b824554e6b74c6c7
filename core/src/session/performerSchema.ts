import * as z from 'zod';
import { deviceIdSchema, performerIdSchema } from '../rig/ids';
import { nameSchema } from '../rig/rigSchema';

/** Own voice in headphones: over 10 ms is noticed. Common practice, no source. */
export const USUAL_CUE_LIMIT_MS = 10;

/** Somebody who plays or speaks, and what they hear themself with. */
export const performerSchema = z.strictObject({
  id: performerIdSchema,
  /** As in the input list: that is how their lines are known. */
  name: nameSchema,
  headphones: deviceIdSchema.optional(),
  /** How late their own sound may be. */
  cueLimitMs: z
    .number()
    .min(0.1, 'a limit from 0.1 to 500 ms')
    .max(500, 'a limit from 0.1 to 500 ms')
    .default(USUAL_CUE_LIMIT_MS),
  /** How long a day they wear them. */
  hoursADay: z.number().min(0, 'from 0 to 24 hours').max(24, 'from 0 to 24 hours').optional(),
  /** How far their ears are from what they play, which is heard beside the headphones. */
  earDistanceM: z.number().min(0.05, 'from 0.05 to 20 m').max(20, 'from 0.05 to 20 m').optional(),
});
export type Performer = z.infer<typeof performerSchema>;
