import type { Backup } from '@ft/contract/status';

const DAYS = 7;
const WEEKS = 4;
const UPGRADES = 3;
const DAY_MS = 24 * 3600 * 1000;

const dayOf = ({ at }: Backup): number => Math.floor(Date.parse(at) / DAY_MS);
/** Weeks begin on Mondays; the first day of 1970 was a Thursday. */
const weekOf = (backup: Backup): number => Math.floor((dayOf(backup) + 3) / 7);

/** The newest backup of each of the last `most` days or weeks that have one. */
function newestOfEach(
  backups: readonly Backup[],
  most: number,
  spanOf: (backup: Backup) => number,
): Backup[] {
  const spans = new Map<number, Backup>();
  for (const backup of backups) if (!spans.has(spanOf(backup))) spans.set(spanOf(backup), backup);
  return [...spans.values()].slice(0, most);
}

/**
 * The backups that may go: all but the newest of the last seven days and the last four weeks that have one,
 * and the last three from before an upgrade.
 * @param backups newest first.
 */
export function outlived(backups: readonly Backup[]): readonly Backup[] {
  const kept = new Set([
    ...newestOfEach(backups, DAYS, dayOf),
    ...newestOfEach(backups, WEEKS, weekOf),
    ...backups.filter(({ kind }) => kind === 'before-upgrade').slice(0, UPGRADES),
  ]);
  return backups.filter((backup) => !kept.has(backup));
}
