import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { DeviceId } from '../../rig/ids';
import type { Device, Rig } from '../../rig/rigSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { formatRate, SAMPLE_RATES_HZ } from '../../units/sampleRates';

/** A device of the clock sheet, as far as its cells need it. */
interface Clocked {
  readonly device: DeviceId;
  readonly name: string;
  readonly choices: readonly { readonly follows: string; readonly name: string }[];
}

type Clock = Device['clock'] | null;

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

function followed(was: Clock, { name, choices }: Clocked, text: string): CellReading<Clock> {
  if (text === '') return value(null);
  const choice = choices.find((each) => same(each.name, text) || same(each.follows, text));
  if (choice !== undefined) return value({ ...was, follows: choice.follows });
  const names = choices.map((each) => each.name).join('; ');
  return refuse(`${name} cannot follow “${text}”. It can: ${names}.`);
}

function fixed(text: string): CellReading<Clock> {
  if (text === '') return value({ follows: 'internal' });
  const rateHz = SAMPLE_RATES_HZ.find((hz) => same(formatRate(hz), text) || String(hz) === text);
  return rateHz === undefined
    ? refuse(`“${text}” is no sample rate. There are: ${SAMPLE_RATES_HZ.map(formatRate).join(', ')}.`)
    : value({ follows: 'internal', rateHz });
}

/**
 * A text for a cell of the clock sheet: what a device follows, or the rate of a master's own clock. Empty leaves it
 * to its connections, or to the session.
 */
export function clockCell(
  rig: Rig | undefined,
  row: Clocked,
  field: 'follows' | 'rateHz',
  typed: string,
): CellReading<readonly Edit[]> {
  const was: Clock = rig?.devices.find(({ id }) => id === row.device)?.clock ?? null;
  const text = typed.trim();
  const clock = field === 'follows' ? followed(was, row, text) : fixed(text);
  return clock.ok
    ? value([editSet('device', {}, row.device, { field: 'clock', value: clock.value ?? null, was })])
    : clock;
}
