import { channelFeed, channelRows, hasChannels } from '../../playback/channelFeed';
import { lineOf } from '../../playback/lineOf';
import { canRecord } from '../../playback/recorderTracks';
import type { DeviceId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';

/** A channel that can be recorded, and what it carries in the scene. */
export interface ChannelChoice {
  readonly row: string;
  readonly name: string;
  readonly line: string;
  readonly performer: string;
  readonly isFed: boolean;
}

/** What a playback check can be set up with. */
export interface PlaybackGear {
  readonly consoles: readonly {
    readonly id: DeviceId;
    readonly name: string;
    readonly channels: readonly ChannelChoice[];
  }[];
  readonly recorders: readonly { readonly id: DeviceId; readonly name: string; readonly isHost: boolean }[];
}

/** Consoles with what their channels carry, and everything that records. */
export function playbackGear(context: WorkedScene): PlaybackGear {
  const { rig, session } = context;
  return {
    consoles: rig.devices.filter(hasChannels).map((console) => ({
      ...{ id: console.id, name: console.name },
      channels: channelRows(console).map((row) => {
        const feed = channelFeed(context.graph, console, row);
        const line = feed && lineOf(context, feed);
        return {
          ...{ row: row.id, name: row.name, performer: line?.performer ?? '' },
          line: line === undefined ? '' : [line.source, line.performer].filter(Boolean).join(', '),
          isFed: line !== undefined,
        };
      }),
    })),
    recorders: rig.devices
      .filter((device) => canRecord(device) && (device.type !== 'dawHost' || device.id === session.host))
      .map(({ id, name, type }) => ({ id, name, isHost: type === 'dawHost' })),
  };
}
