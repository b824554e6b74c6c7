/**
 * How long a day a sound level may last. niosh: NIOSH 98-126, 85 dBA for 8 h, halved per 3 dB.
 * osha: 29 CFR 1910.95 table G-16, 90 dBA for 8 h, halved per 5 dB.
 */
export const HEARING_TABLES = ['niosh', 'osha'] as const;
export type HearingTable = (typeof HEARING_TABLES)[number];

const LIMITS: Readonly<
  Record<HearingTable, { readonly eightHoursDb: number; readonly halvedPerDb: number }>
> = {
  niosh: { eightHoursDb: 85, halvedPerDb: 3 },
  osha: { eightHoursDb: 90, halvedPerDb: 5 },
};

/** Hours a day a level may last. */
export function allowedHours(levelDbSpl: number, table: HearingTable): number {
  const { eightHoursDb, halvedPerDb } = LIMITS[table];
  return 8 / 2 ** ((levelDbSpl - eightHoursDb) / halvedPerDb);
}

/** Share of the daily dose that levels use up, each for some hours; 1 is all of it. Doses add. */
export const dailyDose = (
  parts: readonly { readonly levelDbSpl: number; readonly hours: number }[],
  table: HearingTable,
): number => parts.reduce((sum, { levelDbSpl, hours }) => sum + hours / allowedHours(levelDbSpl, table), 0);

/** How far a level lies over the one that its time allows, dB: what a dose over 1 has to be turned down by. */
export const overDoseDb = (dose: number, table: HearingTable): number =>
  LIMITS[table].halvedPerDb * Math.log2(dose);

/** The steady level over eight hours that gives a dose (NIOSH 98-126, 1910.95 appendix A). */
export const eightHourLevelDb = (dose: number, table: HearingTable): number =>
  LIMITS[table].eightHoursDb + overDoseDb(dose, table);
