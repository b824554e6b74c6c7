import * as z from 'zod';
import { trackIdSchema } from '../../rig/ids';

/** How a track is armed and monitored in one scene, where that is not as on the track itself. */
export const trackStateSchema = z.strictObject({
  id: trackIdSchema,
  recordArm: z.boolean(),
  inputMonitor: z.boolean(),
});
export type TrackState = z.infer<typeof trackStateSchema>;
