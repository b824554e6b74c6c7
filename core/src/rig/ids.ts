import * as z from 'zod';

/** An id: lower-case letters, digits and hyphens, starting with a letter or digit; 1 to 64 characters. */
const plainId = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'an id is 1 to 64 lower-case letters, digits and hyphens');

export const roomIdSchema = plainId.brand<'RoomId'>();
export const deviceIdSchema = plainId.brand<'DeviceId'>();
export const hardwireIdSchema = plainId.brand<'HardwireId'>();
export const stockIdSchema = plainId.brand<'StockId'>();
export const adaptorIdSchema = plainId.brand<'AdaptorId'>();
export const studioIdSchema = plainId.brand<'StudioId'>();
export const sessionIdSchema = plainId.brand<'SessionId'>();
export const sceneIdSchema = plainId.brand<'SceneId'>();
export const threadIdSchema = plainId.brand<'ThreadId'>();
export const cordIdSchema = plainId.brand<'CordId'>();
export const trackIdSchema = plainId.brand<'TrackId'>();
export const busIdSchema = plainId.brand<'BusId'>();
export const performerIdSchema = plainId.brand<'PerformerId'>();
export const cueIdSchema = plainId.brand<'CueId'>();
export const playbackCheckIdSchema = plainId.brand<'PlaybackCheckId'>();
export const jobIdSchema = plainId.brand<'JobId'>();
export const sumIdSchema = plainId.brand<'SumId'>();

/** `device/port/lane`, lanes counted from 1: "converter/line-in-a/3". */
export const laneIdSchema = z
  .string()
  .regex(/^[a-z0-9-]+\/[a-z0-9-]+\/[1-9][0-9]*$/, 'a lane is written device/port/number')
  .brand<'LaneId'>();

/** `device/station`: "preamp/channel-1". */
export const stationIdSchema = z
  .string()
  .regex(/^[a-z0-9-]+\/[a-z0-9-]+$/, 'a station is written device/station')
  .brand<'StationId'>();

export type RoomId = z.infer<typeof roomIdSchema>;
export type DeviceId = z.infer<typeof deviceIdSchema>;
export type HardwireId = z.infer<typeof hardwireIdSchema>;
export type StockId = z.infer<typeof stockIdSchema>;
export type AdaptorId = z.infer<typeof adaptorIdSchema>;
export type StudioId = z.infer<typeof studioIdSchema>;
export type SessionId = z.infer<typeof sessionIdSchema>;
export type SceneId = z.infer<typeof sceneIdSchema>;
export type ThreadId = z.infer<typeof threadIdSchema>;
export type CordId = z.infer<typeof cordIdSchema>;
export type TrackId = z.infer<typeof trackIdSchema>;
export type BusId = z.infer<typeof busIdSchema>;
export type PerformerId = z.infer<typeof performerIdSchema>;
export type CueId = z.infer<typeof cueIdSchema>;
export type PlaybackCheckId = z.infer<typeof playbackCheckIdSchema>;
export type JobId = z.infer<typeof jobIdSchema>;
export type SumId = z.infer<typeof sumIdSchema>;
export type LaneId = z.infer<typeof laneIdSchema>;
export type StationId = z.infer<typeof stationIdSchema>;

export const laneIdOf = (deviceId: string, portKey: string, laneNumber: number): LaneId =>
  `${deviceId}/${portKey}/${laneNumber}` as LaneId;

export const stationIdOf = (deviceId: string, stationKey: string): StationId =>
  `${deviceId}/${stationKey}` as StationId;

/** The device part of a lane or station id. */
export const deviceIdIn = (id: LaneId | StationId): DeviceId => id.slice(0, id.indexOf('/')) as DeviceId;

/**
 * An id from a name: "Saltglass Rooms" becomes "saltglass-rooms"; a number follows where it is taken.
 * @param otherwise used where the name has no letter or digit.
 */
export function idFromName(name: string, taken: ReadonlySet<string>, otherwise: string): string {
  const plain = name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  const base =
    plain
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 48) || otherwise;
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
  return id;
}
