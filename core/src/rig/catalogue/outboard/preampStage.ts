import * as z from 'zod';
import type { LaneKey, Port, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { gainKnob, onOff } from '../knobs';
import { impedanceOhm, levelDbu } from '../params';
import { analogueIn } from '../portKinds';
import { amplifierNoiseDbu } from '../../../units/thermalNoise';
import { active, knobsAt } from '../routeKinds';

const USUAL_EIN_SOURCE_OHM = 150;

/** What every microphone amplifier has, in a box of its own, a stagebox or a console. */
export const preampParams = {
  minGainDb: z.number().min(-40).max(40).default(10),
  maxGainDb: z.number().min(0).max(90).default(65),
  padDb: z.number().min(0).max(40).default(20),
  phantom: z.boolean().default(true),
  inputOhm: impedanceOhm.default(2400),
  maxInputDbu: levelDbu.default(10),
  /** Equivalent input noise, dBu, 20 Hz to 20 kHz, unweighted; the noise of the source it was measured with is in it. */
  einDbu: levelDbu.default(-128),
  /** That source; left out, 150 Ω as makers use it, 0 where the input was shorted. */
  einSourceOhm: z
    .number()
    .min(0, 'an impedance is zero or more ohms')
    .max(100_000)
    .optional()
    .meta({ typical: 150 }),
};
export type PreampFigures = z.infer<z.ZodObject<typeof preampParams>>;

/** The knobs of a preamp channel, by the names stations and routes call them. */
export const PREAMP_KNOBS = ['gainDb', 'phantom', 'pad', 'invert'] as const;

export function preampKnobs(
  { minGainDb, maxGainDb, phantom }: PreampFigures,
  channels: number,
): readonly SettingSpec[] {
  const initial = Math.min(Math.max(30, minGainDb), maxGainDb);
  return [
    gainKnob('gainDb', 'Gain', channels, initial, { min: minGainDb, max: maxGainDb }),
    ...(phantom ? [onOff('phantom', '48 V', channels)] : []),
    onOff('pad', 'Pad', channels),
    onOff('invert', 'Polarity', channels),
  ];
}

/** What a pad takes off before the amplifier as its switch stands. */
const padOf = ({ padDb }: PreampFigures, channel: number, read: ReadSetting): number =>
  read('pad', channel) === true ? padDb : 0;

/** A pad stands before the amplifier: with it in, the connector takes that much more. */
export const micInput = (
  p: PreampFigures,
  channel: number,
  read: ReadSetting,
  face: Port['face'] = 'rear',
): Port =>
  analogueIn(
    'mic',
    { key: `mic-${channel}`, name: `mic in ${channel}`, face },
    {
      loadOhm: p.inputOhm,
      maxDbu: p.maxInputDbu + padOf(p, channel, read),
      ...(p.phantom && { phantom: { setting: 'phantom', channel } }),
    },
  );

/**
 * An amplifier and its pad. The pad stands before it, so the amplifier's own noise counts for more at the input.
 * No noise is given where the EIN is no more than that of the resistor it was measured with: then it tells
 * nothing of the amplifier.
 */
export function preampRoute(
  p: PreampFigures,
  channel: number,
  read: ReadSetting,
  from: LaneKey,
  to: LaneKey,
): Route {
  const pad = padOf(p, channel, read);
  const own = amplifierNoiseDbu(p.einDbu, p.einSourceOhm ?? USUAL_EIN_SOURCE_OHM);
  return active(from, to, Number(read('gainDb', channel)) - pad, {
    inverts: read('invert', channel) === true,
    ...(own !== undefined && { inputNoise: own + pad }),
    knobs: knobsAt(channel, ...PREAMP_KNOBS),
  });
}
