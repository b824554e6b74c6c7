import * as z from 'zod';
import { conversionParams } from '../../digital/conversion';
import { preampParams } from '../../outboard/preampStage';
import { channelCount, countTo } from '../../params';

/** How many lanes a choice on the patch page moves at once. */
export const BLOCKS = ['each alone', 'blocks of 8', 'all together'] as const;

export const digitalParams = z.strictObject({
  channels: channelCount(128).default(32),
  /** Faders on the surface: channels beyond them lie on further layers. */
  fadersPerLayer: channelCount(64).default(16),
  micInputs: countTo(64).default(16),
  /** The first mic inputs have an insert point, between amplifier and converter: what hangs there is recorded. */
  insertPoints: countTo(64).default(0),
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
  vcas: countTo(24).default(8),
  /** Returns of effects and players, each left and right with one fader. */
  stereoReturns: countTo(16).default(4),
  /** Effects inside the console; each is patched like a unit outside. */
  effects: countTo(16).default(4),
  /** Delay of the mixing engine, besides the converters. */
  effectLatencySamples: z.number().min(0).max(4096).default(0),
  /** Pairs of loudspeaker outputs of the control room; none where the console has no such section. */
  speakerSets: countTo(4).default(1),
  /** A pair of outputs for the loudspeakers of the studio. */
  studioOutputs: z.boolean().default(true),
  /** A line input for talkback, that goes to auxes and to the studio. */
  talkbackInput: z.boolean().default(true),
  /** Faders of a layer that moves the host instead: no sound passes them. */
  remoteFaders: countTo(64).default(0),
  /** Automation of the faders that follows timecode. */
  automation: z.boolean().default(false),
  /** Whether a channel's mute takes its sends before the fader along. Consoles differ. */
  muteCutsPreSends: z.boolean().default(false),
  ...conversionParams,
  ...preampParams,
});

export type DeskParams = z.infer<typeof digitalParams>;
