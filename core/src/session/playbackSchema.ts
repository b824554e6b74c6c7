import * as z from 'zod';
import { deviceIdSchema, playbackCheckIdSchema, sceneIdSchema } from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { nameSchema } from '../rig/rigSchema';
import { settingKeySchema } from '../rig/settings';
import { rowIdSchema } from './cueSchema';

/**
 * Channels of a console that are recorded as they come in and can be played back into themselves. What is tapped, what
 * plays back and who stays live are the switches of its two scenes; none of it is written down a second time.
 */
export const playbackCheckSchema = z.strictObject({
  id: playbackCheckIdSchema,
  name: nameSchema,
  console: deviceIdSchema,
  /** The host whose tracks record, or a recorder of its own. */
  recorder: deviceIdSchema,
  /** The channels by their rows of the channel sheet, in the order of their tracks. */
  channels: z
    .array(rowIdSchema)
    .min(1, 'a playback check has a channel')
    .max(MOST_ITEMS.checkedChannels, 'at most 128 channels'),
  /** People play, and may be recorded. */
  live: sceneIdSchema,
  /** The recorder plays into the channels; it follows the live scene. */
  playback: sceneIdSchema,
  /** Digital trims of the playback scene that a gain stands for on stage, by their knobs: how far it does. */
  carried: z.record(settingKeySchema, z.number().min(-60).max(60)).optional(),
});
export type PlaybackCheck = z.infer<typeof playbackCheckSchema>;
