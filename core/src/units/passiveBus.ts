/** A passive bus as its sources and its load see it. */
export interface PassiveBus {
  /** What each input loads its source with, the bus unloaded. */
  readonly inputOhm: number;
  /** From the voltage at one input to the unloaded bus, dB. */
  readonly gainDb: number;
  /** Source impedance of the bus. */
  readonly outputOhm: number;
}

/**
 * A passive bus: `inputs` resistors that meet in one point, each fed from `feedOhm`. With
 * G = 1 / (R + Rs) one driven input gives G / (N·G + 1/RL) of its source's voltage; here that is split
 * into what the input does to its source, the unloaded bus, and the bus's own impedance, so that the
 * load RL comes in as at any other output. Kirchhoff's laws are the source.
 */
export function passiveBus(inputs: number, resistorOhm: number, feedOhm: number): PassiveBus {
  const leg = resistorOhm + feedOhm;
  // The other legs lie between the bus and earth; with one input alone nothing does.
  const inputOhm = inputs === 1 ? 1e9 : resistorOhm + leg / (inputs - 1);
  const sourceToInput = inputOhm / (inputOhm + feedOhm);
  return { inputOhm, gainDb: 20 * Math.log10(1 / (inputs * sourceToInput)), outputOhm: leg / inputs };
}
