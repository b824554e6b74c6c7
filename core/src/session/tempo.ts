import * as z from 'zod';
import { MOST_ITEMS } from '../rig/listBounds';

/** From this bar on so many beats a minute, and so many beats in a bar. */
export const tempoSchema = z.strictObject({
  bar: z.number().int('a whole bar').min(1, 'bars are counted from 1').max(100_000),
  bpm: z
    .number()
    .min(10, 'a tempo from 10 to 400 beats a minute')
    .max(400, 'a tempo from 10 to 400 beats a minute'),
  beats: z.number().int('whole beats').min(1, '1 to 32 beats in a bar').max(32, '1 to 32 beats in a bar'),
});
export type Tempo = z.infer<typeof tempoSchema>;

const seconds = z.number().min(0, 'from 0 to 60 s').max(60, 'from 0 to 60 s');

/** How takes are logged in a session; what is left out is as is usual. */
export const takeSettingsSchema = z.strictObject({
  /** How long somebody takes to press a key after they heard it. */
  reactionS: seconds.optional(),
  preRollS: seconds.optional(),
  postRollS: seconds.optional(),
  /** Bars and beats beside the time; none where nobody plays to bars. */
  tempo: z.array(tempoSchema).max(MOST_ITEMS.tempoChanges).optional(),
});
export type TakeSettings = z.infer<typeof takeSettingsSchema>;

/** Common practice, no source: a second to press a key; seven to come in, five to come out. */
export const USUAL_TAKE_SETTINGS = { reactionS: 1, preRollS: 7, postRollS: 5 } as const;
