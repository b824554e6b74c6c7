import { knobText } from '../../rig/knobText';
import type { KnobCell } from '../../rig/sheets/channelSheet';
import type { SettingSpec, SettingValue } from '../../rig/settings';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { readOnOff } from '../../typed/settingText';
import type { CellKind } from './cellKind';
import { figureText, readFigure } from './figureText';
import { readName } from './namedText';

/** A value as a cell shows it. */
export function valueText(spec: SettingSpec, at: SettingValue): string {
  if (typeof at === 'boolean' || spec.names !== undefined) return knobText(spec, at);
  return figureText(spec, at);
}

/** A value for a knob, as typed in a cell. */
function readValue(spec: SettingSpec, text: string): CellReading<SettingValue> {
  if (typeof spec.initial === 'boolean') return readOnOff(spec.title.toLowerCase(), text);
  if (spec.names === undefined) return readFigure(spec, text);
  const place = readName(spec.title.toLowerCase(), spec.names, text);
  return place.ok ? value(spec.range?.positions?.[place.value] ?? place.value) : place;
}

/** What a cell says that shows a knob the device has no more. */
export const NO_KNOB = refuse('The device has no such knob any more.');

export const knobCell: CellKind<KnobCell> = {
  text({ knob }, knobs) {
    const spec = knobs.spec(knob);
    return spec === undefined ? '' : valueText(spec, knobs.value(knob));
  },
  read({ knob }, text, knobs) {
    const spec = knobs.spec(knob);
    if (spec === undefined) return NO_KNOB;
    if (text.trim() === '') return value([{ knob, value: null }]);
    const read = readValue(spec, text);
    if (!read.ok) return read;
    return value(read.value === knobs.value(knob) ? [] : [{ knob, value: read.value }]);
  },
  knobs: ({ knob }) => [knob],
};
