import * as z from 'zod';
import { preampParams } from '../../outboard/preampStage';
import { channelCount, countTo, impedanceOhm, levelDbu } from '../../params';

export const splitParams = z.strictObject({
  channels: channelCount(96).default(36),
  groups: countTo(48).default(8),
  /** Output jacks of the groups; beyond the first of each they count on: with 8 groups, 9 and 17 are group 1 again. */
  groupOutputs: countTo(96).optional(),
  /** An insert point in every group, before its fader. */
  groupInserts: z.boolean().default(false),
  auxes: countTo(16).default(6),
  vcas: countTo(24).default(8),
  /** A stereo cue of its own, fed by the monitor paths. */
  stereoCue: z.boolean().default(true),
  /** Stereo returns of the control room: two-track machines, players. */
  externals: countTo(8).default(2),
  /** Pairs of loudspeaker outputs. */
  speakerSets: channelCount(4).default(2),
  /** Faders of a layer that moves the host instead: no sound passes them. */
  remoteFaders: countTo(64).default(0),
  /** Automation of the faders that follows timecode. */
  automation: z.boolean().default(true),
  /** Whether a mute takes the sends before the fader along. Consoles differ. */
  muteCutsPreSends: z.boolean().default(false),
  ...preampParams,
  lineInputOhm: impedanceOhm.default(10_000),
  maxLineInputDbu: levelDbu.default(26),
  outputOhm: impedanceOhm.default(75),
  maxOutputDbu: levelDbu.default(26),
  /** Noise of a channel or bus amplifier at its output, dBu. */
  stageNoiseDbu: levelDbu.default(-92),
});

export type SplitParams = z.infer<typeof splitParams>;
