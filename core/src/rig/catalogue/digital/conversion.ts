import type * as z from 'zod';
import type { DelayByRate, LaneKey, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { positions } from '../knobs';
import { impedanceOhm, latencySamples, levelDbu, noiseDbfs, referenceLevels } from '../params';
import { active, knobsAt } from '../routeKinds';

/** What every set of converters has. A latency left out at double or quadruple rate is the usual part of that at single rate. */
export const conversionParams = {
  /** Analogue level of a 0 dBFS sine: the positions of each channel's switch, dBu. */
  referenceDbu: referenceLevels,
  initialReferenceDbu: levelDbu.default(18),
  inputOhm: impedanceOhm.default(20_000),
  outputOhm: impedanceOhm.default(100),
  adcLatencySamples: latencySamples.default(12),
  adcLatencyDoubleRateSamples: latencySamples.optional(),
  adcLatencyQuadRateSamples: latencySamples.optional(),
  dacLatencySamples: latencySamples.default(10),
  dacLatencyDoubleRateSamples: latencySamples.optional(),
  dacLatencyQuadRateSamples: latencySamples.optional(),
  /** Noise floors on the converter's own scale, dBFS. */
  adcNoiseDbfs: noiseDbfs.default(-118),
  dacNoiseDbfs: noiseDbfs.default(-118),
};
export type ConversionFigures = z.infer<z.ZodObject<typeof conversionParams>>;

/**
 * Latency in samples at double and quadruple rate, over that at single rate: filters get shorter, and shorter on the
 * way out than on the way in. From memory of usual converter parts (12, 9 and 5 samples in, 10, 5 and 2.5 out).
 */
const USUAL_PART = { adc: [9 / 12, 5 / 12], dac: [5 / 10, 2.5 / 10] } as const;

const byRate = (
  [doublePart, quadruplePart]: readonly [number, number],
  single: number,
  double = single * doublePart,
  quadruple = single * quadruplePart,
): DelayByRate => [single, double, quadruple];

/** The reference switches of all channels. */
export function referenceKnobs(
  { referenceDbu, initialReferenceDbu }: ConversionFigures,
  adcs: number,
  dacs: number,
): readonly SettingSpec[] {
  const knob = (setting: string, title: string, channels: number): readonly SettingSpec[] =>
    channels === 0 ? [] : [positions(setting, title, 'dBu', channels, initialReferenceDbu, referenceDbu)];
  return [
    ...knob('adcReferenceDbu', 'Input reference', adcs),
    ...knob('dacReferenceDbu', 'Output reference', dacs),
  ];
}

/** From an analogue lane to a digital one: the level of a 0 dBFS sine becomes 0. */
export const adcRoute = (
  p: ConversionFigures,
  channel: number,
  read: ReadSetting,
  from: LaneKey,
  to: LaneKey,
): Route =>
  active(from, to, -Number(read('adcReferenceDbu', channel)), {
    delaySamples: byRate(
      USUAL_PART.adc,
      p.adcLatencySamples,
      p.adcLatencyDoubleRateSamples,
      p.adcLatencyQuadRateSamples,
    ),
    outputNoise: p.adcNoiseDbfs,
    knobs: knobsAt(channel, 'adcReferenceDbu'),
  });

/** From a digital lane to an analogue one. */
export function dacRoute(
  p: ConversionFigures,
  channel: number,
  read: ReadSetting,
  from: LaneKey,
  to: LaneKey,
): Route {
  const referenceDbu = Number(read('dacReferenceDbu', channel));
  return active(from, to, referenceDbu, {
    delaySamples: byRate(
      USUAL_PART.dac,
      p.dacLatencySamples,
      p.dacLatencyDoubleRateSamples,
      p.dacLatencyQuadRateSamples,
    ),
    outputNoise: p.dacNoiseDbfs + referenceDbu,
    knobs: knobsAt(channel, 'dacReferenceDbu'),
  });
}
