import { typedNumber } from '../../text/typedNumber';
import { formatNumber } from '../../units/format';

/** Where a pan pot stands, −100 to 100: "C", "L30", "R100". */
export const panText = (position: number): string =>
  position === 0 ? 'C' : `${position < 0 ? 'L' : 'R'}${formatNumber(Math.abs(position))}`;

const SIDE = /^([lr])\s*(\d+(?:[.,]\d+)?)?$/i;

/** A place in the stereo picture as typed: "L30", "R", "C", "-30". Undefined where it is none. */
export function readPan(text: string): number | undefined {
  const plain = text.trim();
  if (/^c(entre|enter)?$/i.test(plain)) return 0;
  const side = SIDE.exec(plain);
  const figure = side === null ? typedNumber(plain) : typedNumber(side[2] ?? '100');
  if (figure === undefined) return undefined;
  const position = side?.[1]?.toLowerCase() === 'l' ? -figure : figure;
  return Math.abs(position) <= 100 ? position : undefined;
}
