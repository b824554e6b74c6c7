import type { NameLine } from '../../views/mix/nameList';
import { writeCsv } from './csvTable';

/** The host's name list as CSV. */
export const nameListCsv = (lines: readonly NameLine[]): string =>
  writeCsv(
    ['What', 'Number', 'Name', 'Connector', 'Switch'],
    lines.map(({ what, number, name, leads, isOff }) => [what, number, name, leads, isOff ? 'off' : 'on']),
  );
