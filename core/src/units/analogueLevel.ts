import { dbFromVoltageRatio, voltageRatioFromDb } from './decibel';

/** 0 dBu: the voltage of 1 mW in 600 Ω, in volts RMS (usage of the IEC 60268 series). */
export const DBU_REFERENCE_V = Math.sqrt(0.6);

/** Volts RMS to dBu. */
export const dbuFromVolts = (volts: number): number => dbFromVoltageRatio(volts / DBU_REFERENCE_V);

/** dBu to volts RMS. */
export const voltsFromDbu = (dbu: number): number => DBU_REFERENCE_V * voltageRatioFromDb(dbu);

/** dBV (0 dBV = 1 V RMS) to dBu. */
export const dbuFromDbv = (dbv: number): number => dbv + dbuFromVolts(1);

/** Crest factor of a sine, 20·log10 √2. Maxima in dBu and dBFS are quoted for a sine. */
export const SINE_CREST_DB = 10 * Math.log10(2);

/**
 * Where a signal's peaks sit on a scale whose maximum is quoted for a sine: a full-scale sine has its
 * RMS at the maximum, so a signal of crest factor C peaks C - 3.01 dB over its own RMS on that scale.
 */
export const peakOnSineScale = (nominal: number, crestDb: number): number =>
  nominal + crestDb - SINE_CREST_DB;
