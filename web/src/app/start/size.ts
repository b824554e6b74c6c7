const UNITS = ['B', 'kB', 'MB', 'GB', 'TB'] as const;

/** Bytes as a reader says them: 184 kB, 84.7 GB. Decimal, as disks are sold. */
export function sizeText(bytes: number): string {
  const power = bytes < 1 ? 0 : Math.min(UNITS.length - 1, Math.floor(Math.log10(bytes) / 3));
  const value = bytes / 1000 ** power;
  return `${value.toFixed(value < 10 && power > 0 ? 1 : 0)} ${UNITS[power] ?? ''}`;
}
