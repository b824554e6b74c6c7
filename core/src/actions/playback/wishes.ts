import type { DeviceId } from '../../rig/ids';

/** A playback check as it is wished. */
export interface PlaybackWish {
  readonly name: string;
  readonly console: DeviceId;
  readonly recorder: DeviceId;
  /** Channels by their rows, in the order their tracks shall have. */
  readonly channels: readonly string[];
  /** The first track of a recorder of its own, or the host input of the first track. */
  readonly first: number;
}
