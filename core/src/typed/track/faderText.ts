import { typedNumber } from '../../text/typedNumber';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';

/** A figure as it is shown, with a real minus sign. */
export const decibels = (db: number): string => String(db).replace('-', '−');

/** A level: "−6", "-6 dB", "off" for silence. */
export function readLevel(text: string): CellReading<number> {
  const bare = text.trim().replace(/\s*dB$/i, '');
  if (/^(off|-inf|−∞|-∞)$/i.test(bare)) return value(-144);
  const db = typedNumber(bare) ?? NaN;
  if (!Number.isFinite(db)) return refuse(`“${text}” is not a level in dB; write −6, or off.`);
  return db < -144 || db > 24 ? refuse('A fader goes from off to +24 dB.') : value(db);
}

export const levelText = (db: number): string => (db <= -144 ? 'off' : decibels(db));

/** A pan position: "L30", "R100", "C" or a number from −100 to 100. */
export function readPan(text: string): CellReading<number> {
  const bare = text.trim();
  if (bare === '' || /^c$/i.test(bare)) return value(0);
  const side = /^([LR])\s*(\d+)$/i.exec(bare);
  const position =
    side === null ? (typedNumber(bare) ?? NaN) : Number(side[2]) * (side[1]?.toUpperCase() === 'L' ? -1 : 1);
  if (!Number.isFinite(position) || Math.abs(position) > 100)
    return refuse(`“${text}” is not a pan position; write L30, C or R100.`);
  return value(position);
}

export const panText = (pan: number): string =>
  pan === 0 ? 'C' : pan < 0 ? `L${String(-pan)}` : `R${String(pan)}`;
