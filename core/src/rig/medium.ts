/**
 * What travels on a port. `any` marks a face that takes on whatever is connected to it: a jack, a wall
 * plate, a mult. It is copper and nothing else, so it has no level, impedance or direction of its own.
 */
export const MEDIA = [
  'mic',
  'line',
  'instrument',
  'speaker',
  'phones',
  'digital',
  'clock',
  'timecode',
  'any',
] as const;

export type Medium = (typeof MEDIA)[number];

/** Media whose levels are in dBu. The other media carry numbers, not volts. */
export const isAnalogue = (medium: Medium): boolean =>
  medium === 'mic' ||
  medium === 'line' ||
  medium === 'instrument' ||
  medium === 'speaker' ||
  medium === 'phones';
