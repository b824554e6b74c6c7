import { dbuFromVolts } from './analogueLevel';

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
