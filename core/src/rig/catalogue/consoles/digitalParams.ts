import * as z from 'zod';
import { conversionParams } from '../digital/conversion';
import { preampParams } from '../outboard/preampStage';
import { channelCount, countTo } from '../params';

/** How many lanes a choice on the patch page moves at once. */
export const BLOCKS = ['each alone', 'blocks of 8', 'all together'] as const;

export const digitalParams = z.strictObject({
  channels: channelCount(128).default(32),
  /** Faders on the surface: channels beyond them lie on further layers. */
  fadersPerLayer: channelCount(64).default(16),
  micInputs: countTo(64).default(16),
  lineOutputs: countTo(64).default(12),
  /** Card slots with a MADI link each way. */
  cards: countTo(4).default(1),
  /** How coarse the patch of the cards' outputs is. */
  cardBlocks: z.enum(BLOCKS).default('blocks of 8'),
  /** How coarse the choice of the channels' inputs is. */
  channelBlocks: z.enum(BLOCKS).default('each alone'),
  auxes: countTo(24).default(8),
  groups: countTo(24).default(8),
  matrices: countTo(12).default(4),
  /** Effects inside the console; each is patched like a unit outside. */
  effects: countTo(16).default(4),
  /** Delay of the mixing engine, besides the converters. */
  effectLatencySamples: z.number().min(0).max(4096).default(0),
  ...conversionParams,
  ...preampParams,
});

export type DeskParams = z.infer<typeof digitalParams>;
