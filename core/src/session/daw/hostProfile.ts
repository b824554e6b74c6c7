import * as z from 'zod';

/**
 * How a DAW host treats hardware. Hosts differ; the session says which kind it runs on. No host makes an
 * offline bounce through hardware: that is real time only, so there is nothing to choose.
 */
export const hostProfileSchema = z.strictObject({
  /** Whether an insert's return must have the number of its send. */
  insertPairs: z.enum(['strict', 'free']),
  /** Whether send and return of an insert can be trimmed. */
  trims: z.boolean(),
  /** Where the delay of a hardware insert comes from. */
  insertDelay: z.enum(['measured by the host', 'typed in', 'not known to the host']),
  /** Whether paths are delayed so that they meet in time. */
  compensates: z.boolean(),
  /** Whether one pair may stand in several slots, as long as only one of them is active. */
  reusePair: z.boolean(),
  /** Whether tracks with hardware inserts run at the session's small buffer, and so cost processor time. */
  insertsAtSmallBuffer: z.boolean().default(true),
  /** It can only switch a hardware insert off, and its delay goes with it; left out, it is bypassed in time. */
  onlySwitchesOff: z.literal(true).optional(),
});
export type HostProfile = z.infer<typeof hostProfileSchema>;

/** Kinds of host to start from; every field can be changed. Common practice, no source. */
export const HOST_PROFILES: readonly (HostProfile & { readonly name: string })[] = [
  {
    name: 'Same numbers, delay typed in',
    insertPairs: 'strict',
    trims: false,
    insertDelay: 'typed in',
    compensates: true,
    reusePair: true,
    insertsAtSmallBuffer: true,
  },
  {
    name: 'Any pair, measures and trims',
    insertPairs: 'free',
    trims: true,
    insertDelay: 'measured by the host',
    compensates: true,
    reusePair: true,
    insertsAtSmallBuffer: true,
  },
  {
    name: 'Any pair, no compensation',
    insertPairs: 'free',
    trims: false,
    insertDelay: 'not known to the host',
    compensates: false,
    reusePair: false,
    insertsAtSmallBuffer: false,
  },
];

/** The careful kind: what fits it fits the others. */
export const FIRST_PROFILE: HostProfile = {
  insertPairs: 'strict',
  trims: false,
  insertDelay: 'typed in',
  compensates: true,
  reusePair: true,
  insertsAtSmallBuffer: true,
};
