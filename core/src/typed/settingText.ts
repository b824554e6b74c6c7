import type { SettingSpec } from '../rig/settings';
import type { CellReading } from '../text/cellReading';
import { refuse, value } from '../text/cellReading';
import { typedNumber } from '../text/typedNumber';
import { formatNumber } from '../units/format';

/** A figure typed for a knob, in the unit of the knob; refused outside what it can be turned to. */
export function readSetting({ title, unit, range }: SettingSpec, text: string): CellReading<number> {
  const figure = typedNumber(text);
  if (figure === undefined)
    return refuse(`“${text}” is not a figure for ${title.toLowerCase()}. Type ${unit}.`);
  return range !== undefined && (figure < range.min || figure > range.max)
    ? refuse(`${title} goes from ${formatNumber(range.min)} to ${formatNumber(range.max)} ${unit}.`)
    : value(figure);
}

const SWITCHED: Readonly<Record<string, boolean>> = {
  ...{ on: true, yes: true, '48 v': true, '48': true },
  ...{ off: false, no: false, '': false, '–': false, '-': false },
};

/**
 * A switch as a sheet shows it, or as one would type it.
 * @param what the switch is called.
 */
export function readOnOff(what: string, text: string): CellReading<boolean> {
  const state = SWITCHED[text.trim().replace('\u00a0', ' ').toLowerCase()];
  return state === undefined ? refuse(`“${text}” is not a state of ${what}. Type on or off.`) : value(state);
}
