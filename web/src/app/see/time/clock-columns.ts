import { clockCell } from '@ft/core/actions/time/clockCell';
import { formatRate, SAMPLE_RATES_HZ } from '@ft/core/units/sampleRates';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { ClockRow } from '@ft/core/views/time/clockView';
import type { TakingColumn } from '../../ui/sheet/cell-takers';

/** What is typed, and shown, where nobody has said. */
const AS_CONNECTED = 'as connected';
const RATE_OF_SESSION = 'the session’s rate';

const nameOf = ({ choices, follows }: ClockRow): string =>
  choices.find((choice) => choice.follows === follows)?.name ?? AS_CONNECTED;

/** Who follows whom: what is said of it is typed or chosen, the rest is worked out. */
export const clockColumns = (rig: () => Rig | undefined): readonly TakingColumn<ClockRow>[] => [
  {
    ...{ id: 'name', title: 'Device', widthPx: 180 },
    text: ({ depth, isMaster, name }) =>
      `${'\u2003'.repeat(depth)}${depth > 0 ? '└ ' : ''}${isMaster ? '◉ ' : ''}${name}`,
  },
  {
    ...{ id: 'source', title: 'Follows', widthPx: 250 },
    text: ({ rateHz, source, said }) =>
      `${rateHz === undefined ? '▲ ' : ''}${source}${said ? '' : ', from its connections'}`,
  },
  {
    ...{ id: 'rate', title: 'Rate', widthPx: 75, isFigure: true },
    text: ({ rateHz }) => (rateHz === undefined ? '' : formatRate(rateHz)),
  },
  {
    ...{ id: 'follows', title: 'Say what it follows', widthPx: 165, editor: 'choice' },
    text: nameOf,
    choices: ({ choices }) => [AS_CONNECTED, ...choices.map(({ name }) => name)],
    take: (row, text) => clockCell(rig(), row, 'follows', text === AS_CONNECTED ? '' : text),
  },
  {
    ...{ id: 'rateHz', title: 'Its own clock runs at', widthPx: 120, editor: 'choice' },
    isShut: ({ isMaster }) => !isMaster,
    text: ({ isMaster, fixedHz }) =>
      !isMaster ? '' : fixedHz === undefined ? RATE_OF_SESSION : formatRate(fixedHz),
    choices: () => [RATE_OF_SESSION, ...SAMPLE_RATES_HZ.map(formatRate)],
    take: (row, text) => clockCell(rig(), row, 'rateHz', text === RATE_OF_SESSION ? '' : text),
  },
];
