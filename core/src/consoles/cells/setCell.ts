import type { SetCell } from '../../rig/sheets/channelSheet';
import { refuse, value } from '../../text/cellReading';
import { numberRange } from '../../text/numberRange';
import { rangesText } from '../../text/rangesText';
import type { CellKind, Turn } from './cellKind';

export const setCell: CellKind<SetCell> = {
  text({ of }, knobs) {
    const on = of.flatMap((knob, i) => (knobs.value(knob) === true ? [i + 1] : []));
    return on.length === 0 ? 'none' : rangesText(on);
  },
  read({ of, one }, text, knobs) {
    const typed = text.trim();
    if (typed === '') return value(of.map((knob): Turn => ({ knob, value: null })));
    const range = typed === 'none' ? { ok: true as const, numbers: [] } : numberRange(typed);
    if (!range.ok) return refuse(`“${text}” are no numbers of ${one}s. Type 1-3, 7, or none.`);
    const missing = range.numbers.find((n) => n < 1 || n > of.length);
    if (missing !== undefined)
      return refuse(`There is no ${one} ${String(missing)}; there are ${String(of.length)}.`);
    const wanted = new Set(range.numbers);
    return value(
      of.flatMap((knob, i): Turn[] => {
        const isOn = wanted.has(i + 1);
        return isOn === knobs.value(knob) ? [] : [{ knob, value: isOn }];
      }),
    );
  },
  knobs: ({ of }) => of,
};
