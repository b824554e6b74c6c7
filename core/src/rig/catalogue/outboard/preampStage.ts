import * as z from 'zod';
import type { LaneKey, Port, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { gainKnob, onOff } from '../knobs';
import { impedanceOhm, levelDbu } from '../params';
import { analogueIn } from '../portKinds';
import { active, knobsAt } from '../routeKinds';

/** What every microphone amplifier has, in a box of its own, a stagebox or a console. */
export const preampParams = {
  minGainDb: z.number().min(-40).max(40).default(10),
  maxGainDb: z.number().min(0).max(90).default(65),
  padDb: z.number().min(0).max(40).default(20),
  phantom: z.boolean().default(true),
  inputOhm: impedanceOhm.default(2400),
  maxInputDbu: levelDbu.default(10),
  /** Equivalent input noise, dBu, 20 Hz to 20 kHz, unweighted. */
  einDbu: levelDbu.default(-128),
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

export const micInput = (p: PreampFigures, channel: number, face: Port['face'] = 'rear'): Port =>
  analogueIn(
    'mic',
    { key: `mic-${channel}`, name: `mic in ${channel}`, face },
    {
      loadOhm: p.inputOhm,
      maxDbu: p.maxInputDbu,
      ...(p.phantom && { phantom: { setting: 'phantom', channel } }),
    },
  );

/** A pad stands before the amplifier, so the amplifier's own noise counts for more at the input. */
export function preampRoute(
  { einDbu, padDb }: PreampFigures,
  channel: number,
  read: ReadSetting,
  from: LaneKey,
  to: LaneKey,
): Route {
  const pad = read('pad', channel) === true ? padDb : 0;
  return active(from, to, Number(read('gainDb', channel)) - pad, {
    inverts: read('invert', channel) === true,
    inputNoise: einDbu + pad,
    knobs: knobsAt(channel, ...PREAMP_KNOBS),
  });
}
