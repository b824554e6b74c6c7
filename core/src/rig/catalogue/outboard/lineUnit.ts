import * as z from 'zod';
import type { DelayByRate, Port, Route, Station, StationRole } from '../../deviceModel';
import type { Medium } from '../../medium';
import { impedanceOhm, letter, levelDbu } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
import { active, knobsAt, laneAt } from '../routeKinds';

/** What line-level outboard has in common: typical figures, to be replaced by a unit's own. */
export const lineUnitParams = {
  inputOhm: impedanceOhm.default(10_000),
  maxInputDbu: levelDbu.default(24),
  outputOhm: impedanceOhm.default(100),
  maxOutputDbu: levelDbu.default(24),
  outputNoiseDbu: levelDbu.default(-85),
  /** Inputs and outputs by way of transformers, as in much old outboard. */
  transformers: z.boolean().default(false),
};
type Figures = z.infer<z.ZodObject<typeof lineUnitParams>>;
export type UnitFigures = Omit<Figures, 'transformers'> & Partial<Pick<Figures, 'transformers'>>;

const suffix = (channel: number, channels: number): string => (channels === 1 ? '' : ` ${letter(channel)}`);

/** Input and output of one channel. */
export function channelPorts(
  p: UnitFigures,
  channel: number,
  channels: number,
  medium: Medium = 'line',
): readonly Port[] {
  const connector = medium === 'instrument' ? 'ts' : 'xlr';
  const face = medium === 'instrument' ? 'front' : 'rear';
  const floating = p.transformers && { floating: true };
  return [
    analogueIn(
      medium,
      { key: `in-${channel}`, name: `in${suffix(channel, channels)}`, connector, face },
      { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu, ...floating },
    ),
    analogueOut(
      medium,
      { key: `out-${channel}`, name: `out${suffix(channel, channels)}`, connector, face },
      { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu, ...floating },
    ),
  ];
}

interface ChannelRoute {
  readonly gainDb: number;
  readonly outputNoiseDbu: number;
  readonly knobs?: readonly string[];
  readonly delayMs?: number;
  readonly delaySamples?: number | DelayByRate;
}

/** Straight through one channel. */
export const channelRoute = (
  channel: number,
  { gainDb, outputNoiseDbu, knobs = [], ...delay }: ChannelRoute,
): Route =>
  active(laneAt(`in-${channel}`), laneAt(`out-${channel}`), gainDb, {
    outputNoise: outputNoiseDbu,
    knobs: knobsAt(channel, ...knobs),
    ...delay,
  });

/** The station a thread passes in one channel. */
export const channelStation = (
  channel: number,
  channels: number,
  settings: readonly string[],
  role: StationRole = 'processor',
): Station => ({
  key: `channel-${letter(channel).toLowerCase()}`,
  name: channels === 1 ? '' : letter(channel),
  role,
  in: laneAt(`in-${channel}`),
  out: laneAt(`out-${channel}`),
  channel,
  settings,
});
