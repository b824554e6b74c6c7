import type { DeviceInput } from './device';
import { device, labels } from './device';

const COLUMNS = 48;
const apart = { normalling: 'none' };

/** The run of columns a unit's channels take, with what the strip says there. */
interface Unit {
  readonly short: string;
  readonly channels: number;
}

/** Outboard on bay C, outputs over inputs; a unit's output never normals into itself. */
export const OUTBOARD_UNITS: readonly Unit[] = [
  { short: 'Tran A', channels: 1 },
  { short: 'Tran B', channels: 1 },
  { short: 'BusC', channels: 2 },
  { short: 'Duck', channels: 2 },
  { short: 'Valve', channels: 2 },
  { short: 'Pass', channels: 2 },
  { short: '4-band', channels: 4 },
  { short: 'De-S', channels: 2 },
];

const outboardLabels = (row: 'upper' | 'lower', what: string): Record<string, string> => {
  const names = OUTBOARD_UNITS.flatMap(({ short, channels }) =>
    Array.from({ length: channels }, (_, i) => (channels === 1 ? short : `${short} ${String(i + 1)}`)),
  );
  return labels(row, 1, names.length, (n) => `${names[n - 1] ?? ''} ${what}`);
};

const count = (name: string) => (n: number) => `${name} ${String(n)}`;

/** Six bays of 48 columns, as they are mounted. */
export const BAYS: readonly DeviceInput[] = [
  device('Booth panel', 'booth', 'wallPanel', { lines: 8, returns: 4 }),
  device('Kiln panel', 'kiln', 'wallPanel', { lines: 16, returns: 8, cueReturns: 4 }),
  device('Floor box', 'kiln', 'wallPanel', { lines: 8 }),
  device('Bay A', 'batch', 'patchbay', {
    columns: COLUMNS,
    normalling: 'full',
    labels: {
      ...labels('upper', 1, 8, count('Booth')),
      ...labels('upper', 9, 16, count('Kiln')),
      ...labels('lower', 1, 2, count('Pre')),
      ...labels('lower', 9, 2, (n) => `Pre ${String(n + 2)}`),
      ...labels('lower', 17, 32, count('Desk mic')),
    },
  }),
  device('Bay B', 'batch', 'patchbay', {
    columns: COLUMNS,
    normalling: 'half',
    labels: {
      ...labels('upper', 1, 4, (n) => `Pre ${String(n)} out`),
      'upper-5': 'Opto out',
      ...labels('upper', 25, 24, count('DAC')),
      ...labels('lower', 1, 24, count('ADC')),
      'lower-25': 'Opto in',
      ...labels('lower', 33, 16, count('Sum')),
    },
  }),
  device('Bay C', 'batch', 'patchbay', {
    columns: COLUMNS,
    normalling: 'none',
    labels: {
      ...outboardLabels('upper', 'out'),
      ...outboardLabels('lower', 'in'),
      'lower-17': 'BusC key 1',
      'lower-18': 'BusC key 2',
      'lower-19': 'Duck key 1',
      'lower-20': 'Duck key 2',
      ...labels('lower', 21, 2, count('Re-amp')),
      ...labels(
        'lower',
        25,
        7,
        (n) =>
          ['Plate in', 'Spring in', 'Hall L in', 'Hall R in', 'Tape in', 'Doubl L in', 'Doubl R in'][n - 1] ??
          '',
      ),
      ...labels(
        'upper',
        25,
        10,
        (n) =>
          `${['Plate', 'Spring', 'Hall', 'Tape', 'Doubl'][Math.ceil(n / 2) - 1] ?? ''} ${n % 2 === 1 ? 'L' : 'R'} out`,
      ),
    },
  }),
  device('Bay D', 'batch', 'patchbay', {
    columns: COLUMNS,
    normalling: 'half',
    labels: {
      ...labels('upper', 1, 36, count('Send')),
      ...labels('lower', 1, 36, count('Return')),
      ...labels('upper', 37, 8, count('Group')),
      ...labels('upper', 45, 4, (n) => ['Mix send L', 'Mix send R', 'Mix L', 'Mix R'][n - 1] ?? ''),
      'lower-45': 'Mix ret L',
      'lower-46': 'Mix ret R',
    },
    sections: [{ columns: '37-44, 47-48', ...apart }],
  }),
  device('Bay E', 'batch', 'patchbay', {
    columns: COLUMNS,
    normalling: 'none',
    labels: {
      ...labels('upper', 1, 36, count('Direct')),
      ...labels('lower', 1, 36, count('Line')),
      ...labels('upper', 37, 4, count('Grp send')),
      ...labels('lower', 37, 4, count('Grp ret')),
      ...labels('upper', 45, 4, (n) => `Grp send ${String(n + 4)}`),
      ...labels('lower', 45, 4, (n) => `Grp ret ${String(n + 4)}`),
    },
    sections: [
      { columns: '37-40, 45-48', normalling: 'half' },
      // Four mults of one in and three out.
      { columns: '41-44', normalling: 'parallel', upper: 'destination', lower: 'destination' },
    ],
  }),
  device('Bay F', 'batch', 'patchbay', {
    columns: COLUMNS,
    normalling: 'half',
    labels: {
      ...labels('upper', 1, 6, count('Aux')),
      ...labels('lower', 1, 4, (n) => `Booth ret ${String(n)}`),
      ...labels('lower', 9, 8, (n) => `Kiln ret ${String(n)}`),
      ...labels('upper', 9, 8, (n) => `Kiln desk ${String(n)}`),
      ...labels('upper', 17, 2, (n) => `Sum out ${n === 1 ? 'L' : 'R'}`),
      ...labels('upper', 19, 2, (n) => `Player ${n === 1 ? 'L' : 'R'}`),
      'upper-21': 'Talkback',
      'lower-21': 'Desk talk',
      'lower-22': 'K desk talk',
      ...labels('upper', 7, 2, (n) => `Cue ${n === 1 ? 'L' : 'R'}`),
      ...labels(
        'lower',
        23,
        8,
        (n) => `Cue amp ${'ABCD'.charAt(Math.ceil(n / 2) - 1)} ${n % 2 === 1 ? 'L' : 'R'}`,
      ),
      ...labels('lower', 41, 2, (n) => `Loops in ${n === 1 ? 'L' : 'R'}`),
      ...labels('upper', 43, 2, (n) => `Loops ${n === 1 ? 'L' : 'R'}`),
      ...labels('lower', 17, 4, (n) => `Mon ${String(Math.ceil(n / 2) + 1)} ${n % 2 === 1 ? 'L' : 'R'}`),
    },
    sections: [{ columns: '5-6, 7-8', ...apart }],
  }),
];
