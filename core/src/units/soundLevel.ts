import { dbuFromVolts } from './analogueLevel';

/** The sound pressure level of 1 Pa, in dB SPL, as the field rounds it (20 µPa reference: 93.98). */
export const ONE_PASCAL_DB_SPL = 94;

/** Open-circuit level of a microphone in 1 Pa, in dBu, from its sensitivity in mV/Pa. */
export const sensitivityDbu = (millivoltPerPascal: number): number => dbuFromVolts(millivoltPerPascal / 1000);

/** Open-circuit output of a microphone in dBu: its level in 1 Pa, moved by the sound level. */
export const microphoneDbu = (levelInOnePascalDbu: number, soundDbSpl: number): number =>
  levelInOnePascalDbu + soundDbSpl - ONE_PASCAL_DB_SPL;
