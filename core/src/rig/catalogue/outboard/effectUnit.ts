import * as z from 'zod';
import type { Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { latencyMs, numbersTo } from '../params';
import { active, knobsAt, laneAt } from '../routeKinds';
import { channelPorts, channelStation, lineUnitParams } from './lineUnit';

const params = z.strictObject({
  inputs: z.enum(['mono', 'stereo']).default('stereo'),
  /** Conversion and processing inside the unit; the reverberation itself is not a delay of the sound. */
  latencyMs: latencyMs.default(3),
  ...lineUnitParams,
});
type Params = z.infer<typeof params>;

/** A mono input is heard on both outputs; of a stereo pair each feeds its own side. */
function routes(p: Params, read: ReadSetting): readonly Route[] {
  return numbersTo(2).map((out) => {
    const from = p.inputs === 'mono' ? 1 : out;
    return active(laneAt(`in-${from}`), laneAt(`out-${out}`), Number(read('netGainDb', 1)), {
      outputNoise: p.outputNoiseDbu,
      delayMs: p.latencyMs,
      knobs: knobsAt(1, 'netGainDb'),
    });
  });
}

export const effectUnit = deviceType({
  type: 'effectUnit',
  title: 'Reverb or delay',
  what: 'A stereo effect, mono or stereo in, with the latency of its converters.',
  params,
  settings: () => [gainKnob('netGainDb', 'Net gain', 1, 0, { min: -40, max: 20 })],
  build: (p, read) => ({
    ports: numbersTo(2)
      .flatMap((channel) => channelPorts(p, channel, 2))
      .filter((port) => p.inputs === 'stereo' || port.key !== 'in-2'),
    routes: routes(p, read),
    stations: (p.inputs === 'stereo' ? [1, 2] : [1]).map((channel) => ({
      ...channelStation(channel, 2, ['netGainDb']),
      // One knob serves both sides.
      channel: 1,
    })),
  }),
});
