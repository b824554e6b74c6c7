import { dbFromVoltageRatio } from './decibel';

/** Impedances in parallel, in ohms. An empty list is an open circuit, Infinity. */
export function parallelOhm(ohms: readonly number[]): number {
  return 1 / ohms.reduce((sum, ohm) => sum + 1 / ohm, 0);
}

/** What a source of `sourceOhm` loses into `loadOhm`, in dB (zero or negative): 20·log10(ZL / (ZS + ZL)). */
export function loadingDb(sourceOhm: number, loadOhm: number): number {
  return loadOhm === Infinity ? 0 : dbFromVoltageRatio(loadOhm / (sourceOhm + loadOhm));
}
