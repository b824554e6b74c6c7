import * as z from 'zod';
import { preampParams } from '../outboard/preampStage';
import { channelCount, countTo, impedanceOhm, levelDbu } from '../params';

export const splitParams = z.strictObject({
  channels: channelCount(96).default(36),
  groups: countTo(48).default(8),
  auxes: countTo(16).default(6),
  /** Stereo returns of the control room: two-track machines, players. */
  externals: countTo(8).default(2),
  /** Pairs of loudspeaker outputs. */
  speakerSets: channelCount(4).default(2),
  ...preampParams,
  lineInputOhm: impedanceOhm.default(10_000),
  maxLineInputDbu: levelDbu.default(26),
  outputOhm: impedanceOhm.default(75),
  maxOutputDbu: levelDbu.default(26),
  /** Noise of a channel or bus amplifier at its output, dBu. */
  stageNoiseDbu: levelDbu.default(-92),
});

export type SplitParams = z.infer<typeof splitParams>;
