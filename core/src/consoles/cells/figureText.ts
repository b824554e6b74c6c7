import type { SettingSpec } from '../../rig/settings';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { readSetting } from '../../typed/settingText';
import { formatNumber } from '../../units/format';
import { panText, readPan } from './panText';

/** A knob without unit from −100 to 100 is a pan pot. */
const isPan = ({ unit, range }: SettingSpec): boolean =>
  unit === '' && range?.min === -100 && range.max === 100;

/** A fader that is all the way down. */
const DOWN = /^(off|down|[-−]\s*(∞|inf))$/i;

/** A figure as a cell shows it: every digit it has, so that a copy is no other. */
export const figureText = (spec: SettingSpec, figure: number): string =>
  isPan(spec) ? panText(figure) : formatNumber(figure);

/** A figure for a knob, as typed in a cell. */
export function readFigure(spec: SettingSpec, text: string): CellReading<number> {
  const { title, range } = spec;
  if (isPan(spec)) {
    const position = readPan(text);
    return position === undefined
      ? refuse(`“${text}” is no place for ${title.toLowerCase()}. Type C, or L or R with a figure to 100.`)
      : value(position);
  }
  if (range !== undefined && DOWN.test(text.trim())) return value(range.min);
  const read = readSetting(spec, text);
  if (!read.ok || range?.positions?.includes(read.value) !== false) return read;
  const positions = range.positions.map(formatNumber).join(', ');
  return refuse(`${title} has no position ${formatNumber(read.value)}. It has ${positions}.`);
}
