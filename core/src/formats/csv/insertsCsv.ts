import type { InsertsView } from '../../views/mix/insertsView';
import { writeCsv } from './csvTable';

const TITLES = [
  ...['No', 'On', 'Chain', 'How', 'Slot', 'State', 'Is', 'Out', 'In', 'Trim out dB', 'Trim in dB'],
  ...['Wanted dBu', 'At the units', 'Delay samples', 'Delay ms', 'Compensation', 'Takes', 'Note'],
];

/** The insert sheet as CSV, one line a job. */
export const insertsCsv = ({ rows }: InsertsView): string =>
  writeCsv(
    TITLES,
    rows.map((row) => [
      ...[String(row.number), row.on, row.chain, row.kind || 'straight', row.at, row.state, row.placing],
      ...[row.out, row.back, row.sendTrim, row.returnTrim, row.sweet, row.levels.join('; ')],
      ...[
        row.samples,
        row.ms.replace(' ms', ''),
        row.compensation,
        row.length,
        [row.trouble, ...row.notes].filter(Boolean).join('; '),
      ],
    ]),
  );
