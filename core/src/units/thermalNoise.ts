import { dbuFromVolts } from './analogueLevel';
import { powerOfDb } from './decibel';

const BOLTZMANN_J_PER_K = 1.380649e-23;
const ROOM_TEMPERATURE_K = 293.15;
const AUDIO_BANDWIDTH_HZ = 20_000;

/**
 * Thermal noise of a resistance at 20 °C over 20 kHz, in dBu: e = √(4kTRB).
 * Source: Johnson 1928, Nyquist 1928.
 */
export function thermalNoiseDbu(ohm: number): number {
  return dbuFromVolts(Math.sqrt(4 * BOLTZMANN_J_PER_K * ROOM_TEMPERATURE_K * ohm * AUDIO_BANDWIDTH_HZ));
}

/**
 * What an amplifier adds of itself, dBu at its input: its EIN less the thermal noise of the resistance the EIN was
 * measured with, as powers. Undefined where that leaves nothing: the figure is another one, weighted perhaps.
 * @param sourceOhm 0 for a shorted input, whose EIN is the amplifier's own noise.
 */
export function amplifierNoiseDbu(einDbu: number, sourceOhm: number): number | undefined {
  if (sourceOhm === 0) return einDbu;
  const power = powerOfDb(einDbu) - powerOfDb(thermalNoiseDbu(sourceOhm));
  return power > 0 ? 10 * Math.log10(power) : undefined;
}
