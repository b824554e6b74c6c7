import type { Naming } from '../naming';

/** The name of what serves one signal at a time: a channel of a unit, or a switcher by its device. */
export const wantName = (naming: Naming, want: string): string =>
  want.includes('/') ? naming.station(want) : naming.device(want);
