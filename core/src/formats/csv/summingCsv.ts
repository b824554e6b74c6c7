import type { WholeSum } from '../../views/mix/nextBest';
import { writeCsv } from './csvTable';

const TITLES = [
  ...['Sum', 'Stem', 'Sound', 'Place', 'Why', 'Next best', 'Output', 'Converter', 'Level', 'Room', 'Gain dB'],
  ...['Mono', 'Boost', 'Share', 'Under the sum', 'Fader dB', 'Offset samples', 'Note'],
  ...['Groups', 'To mix', 'Pan', 'Channel fader dB', 'VCA', 'Unit in it', 'Recorded on'],
];

/** What a channel of a console has there; a summing mixer has none of it. */
const ON_CHANNEL = ['groups', 'toMix', 'pan', 'fader', 'vca'] as const;

/** The summing sheet as CSV, one line a stem. */
export const summingCsv = (sums: readonly WholeSum[]): string =>
  writeCsv(
    TITLES,
    sums.flatMap(({ name, rows }) =>
      rows.map((row) => [
        ...[
          name,
          row.name,
          row.sound,
          row.place,
          row.reason,
          row.nextBest,
          row.output,
          row.converter,
          row.level,
        ],
        ...[
          row.room,
          row.knobs['gain'] ?? '',
          row.knobs['mono'] ?? '',
          row.knobs['boost'] ?? '',
          row.share,
          row.underSum,
        ],
        ...[row.fader, row.offset, row.trouble],
        ...[...ON_CHANNEL.map((knob) => row.knobs[knob] ?? ''), row.unit, row.recorded],
      ]),
    ),
  );
