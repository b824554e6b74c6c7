import type { FieldChange } from '@ft/core/edits/make';
import type { ChoiceField } from '@ft/core/views/track/choices';
import type { PlanRow, StationCell } from '@ft/core/views/plan';
import type { SettingCell } from '@ft/core/views/settingCells';

/** A column of the input list. `field` is the thread's own field, where it has one. */
export type Column =
  | {
      readonly kind: 'text' | 'number';
      readonly title: string;
      readonly unit?: string;
      readonly field: TextField;
      readonly wide?: boolean;
    }
  | {
      readonly kind: 'choice';
      readonly title: string;
      readonly choice: ChoiceField;
      readonly field: FieldChange<'thread'>['field'];
    }
  | {
      readonly kind: 'setting';
      readonly title: string;
      readonly unit?: string;
      readonly setting: 'gainDb' | 'phantom';
      readonly field: string;
    }
  | { readonly kind: 'status'; readonly title: string; readonly field: string };

export type TextField =
  'number' | 'performer' | 'source' | 'levelDbSpl' | 'levelDbu' | 'crestDb' | 'distanceM' | 'trackName';

const pin = (title: string, choice: Exclude<ChoiceField, 'from' | 'processor'>): Column => ({
  kind: 'choice',
  title,
  choice,
  field: `pins.${choice}`,
});

/** The input list, left to right in the order of the signal. */
export const COLUMNS: readonly Column[] = [
  { kind: 'number', title: '#', field: 'number' },
  { kind: 'text', title: 'Performer', field: 'performer' },
  { kind: 'text', title: 'Source', field: 'source' },
  { kind: 'number', title: 'Sound', unit: 'dB SPL', field: 'levelDbSpl' },
  { kind: 'number', title: 'Crest', unit: 'dB', field: 'crestDb' },
  { kind: 'choice', title: 'Microphone', choice: 'from', field: 'from' },
  pin('Room jack', 'room-jack'),
  pin('Preamp', 'preamp'),
  { kind: 'setting', title: 'Gain', unit: 'dB', setting: 'gainDb', field: 'gainDb' },
  { kind: 'setting', title: '48\u00a0V', setting: 'phantom', field: 'phantom' },
  { kind: 'choice', title: 'Inserts', choice: 'processor', field: 'inserts' },
  pin('Converter', 'converter'),
  pin('DAW input', 'daw-input'),
  { kind: 'text', title: 'Track', field: 'trackName' },
  { kind: 'number', title: 'Mic at', unit: 'm', field: 'distanceM' },
  { kind: 'number', title: 'Line level', unit: 'dBu', field: 'levelDbu' },
  { kind: 'status', title: 'Status', field: 'status' },
];

export const isRightAligned = (column: Column): boolean =>
  column.kind === 'number' || (column.kind === 'setting' && column.setting === 'gainDb');

/** The station a choice cell shows, where it shows one. */
export function stationIn(row: PlanRow, column: Column): StationCell | undefined {
  return column.kind === 'choice' && column.choice !== 'from' && column.choice !== 'processor'
    ? row.cells[column.choice]
    : undefined;
}

export const settingIn = (row: PlanRow, column: Column): SettingCell | undefined =>
  column.kind === 'setting' ? row.settings[column.setting] : undefined;

/** The text of a cell as an editor starts with it. */
export function cellText(row: PlanRow, column: Column): string {
  switch (column.kind) {
    case 'text':
    case 'number': {
      const value = row.thread[column.field];
      return value === undefined ? '' : String(value);
    }
    case 'choice':
      if (column.choice === 'from') return row.sourceName;
      if (column.choice === 'processor') return row.inserts.map(({ name }) => name).join(', ');
      return stationIn(row, column)?.name ?? '';
    case 'setting': {
      const value = settingIn(row, column)?.value;
      return value === undefined ? '' : typeof value === 'boolean' ? (value ? 'on' : 'off') : String(value);
    }
    case 'status':
      return row.status;
  }
}
