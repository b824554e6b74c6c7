import * as z from 'zod';
import { adaptorIdSchema, laneIdSchema, sceneIdSchema, sessionIdSchema, stockIdSchema } from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { settingKeySchema } from '../rig/settings';
import { trackStateSchema } from './daw/trackState';

/** A cord that really sits in two jacks. Its id is the output jack it starts from: a jack holds one plug. */
export const floorCordSchema = z.strictObject({
  id: laneIdSchema,
  to: laneIdSchema,
  stock: stockIdSchema,
  fromAdaptor: adaptorIdSchema.optional(),
  toAdaptor: adaptorIdSchema.optional(),
});

/**
 * Something done for safety while the patch is changed, to be taken back afterwards: monitors or cues
 * muted, or 48 V switched off at a preamp whose line has not drained yet (`drain/` and the setting).
 */
export const precautionSchema = z.strictObject({
  id: z
    .string()
    .regex(
      /^(monitors|cues|drain\/[a-z0-9-]+\/[a-zA-Z0-9]+\/[1-9][0-9]*)$/,
      'a precaution is monitors, cues, or drain/ and a setting',
    ),
});

/** A scene of a session. */
export const sceneRefSchema = z.strictObject({ session: sessionIdSchema, scene: sceneIdSchema });

/** What is really plugged and set in the rooms, whatever is planned. One rig has one floor. */
export const floorSchema = z.strictObject({
  /** The scene that was last put on the floor, or is on its way there. */
  scene: sceneRefSchema.optional(),
  cords: z.array(floorCordSchema).max(MOST_ITEMS.floorCords),
  /** Knobs and switches that do not stand at their initial place. */
  settings: z.record(settingKeySchema, z.union([z.number(), z.boolean()])),
  precautions: z.array(precautionSchema).max(MOST_ITEMS.precautions),
  /** Tracks of the scene's session that are armed or monitored otherwise than on themselves. */
  trackStates: z.array(trackStateSchema).max(MOST_ITEMS.tracks).optional(),
  /** Since when a recorder plays into the channels of a console. */
  playbackSince: z.iso.datetime('a moment is written 2026-12-05T14:05:00Z').optional(),
});

export type FloorCord = z.infer<typeof floorCordSchema>;
export type Precaution = z.infer<typeof precautionSchema>;
export type Floor = z.infer<typeof floorSchema>;

/** Everything unplugged, every knob at its initial place. */
export const BARE_FLOOR: Floor = { cords: [], settings: {}, precautions: [] };
