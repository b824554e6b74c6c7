const SIDES = ['left', 'right'] as const;
const MID_SIDE = ['mid', 'side'] as const;

/** What a side of something wide is called: nothing for mono, left and right, mid and side, else its number. */
export function sideWord(side: number, sides: number, isMidSide = false): string {
  if (sides === 1) return '';
  return sides === 2 ? ((isMidSide ? MID_SIDE : SIDES)[side] ?? '') : String(side + 1);
}
