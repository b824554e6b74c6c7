import type { LineField } from '@ft/core/actions/track/lineCells';
import type { PinRole } from '@ft/core/rig/deviceModel';
import type { LineFigure, LineText } from '@ft/core/typed/thread/lineText';
import type { ChoiceField } from '@ft/core/views/track/choices';
import type { PlanRow, StationCell } from '@ft/core/views/plan';
import type { SettingCell } from '@ft/core/views/settingCells';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';

/** A column of the input list. Its id is the field of the line that it shows. */
export interface LineColumn extends SheetColumn<PlanRow> {
  readonly id: LineField | 'status';
}

const typed = (id: LineText, title: string, widthPx: number): LineColumn => ({
  ...{ id, title, widthPx, editor: 'text' },
  text: ({ thread }) => thread[id],
});

const figure = (id: LineFigure, title: string, widthPx: number, unit?: string): LineColumn => ({
  ...{ id, title, widthPx, editor: 'figure', isFigure: true, ...(unit !== undefined && { unit }) },
  text: ({ thread }) => String(thread[id] ?? ''),
});

const station = (role: Exclude<PinRole, 'processor'>, title: string, widthPx: number): LineColumn => ({
  ...{ id: `pins.${role}`, title, widthPx, editor: 'choice' },
  text: ({ cells }) => cells[role]?.name ?? '',
});

const stated = (value: SettingCell['value'] | undefined): string =>
  typeof value === 'boolean' ? (value ? 'on' : 'off') : String(value ?? '');

/** The input list, left to right in the order of the signal. */
export const COLUMNS: readonly LineColumn[] = [
  { ...figure('number', '#', 38), isRequired: true },
  typed('performer', 'Performer', 104),
  typed('source', 'Source', 116),
  figure('levelDbSpl', 'Sound', 52, 'dB SPL'),
  figure('crestDb', 'Crest', 46, 'dB'),
  {
    ...{ id: 'from', title: 'Microphone', widthPx: 148, editor: 'choice', isRequired: true },
    text: ({ sourceName }) => sourceName,
  },
  station('room-jack', 'Room jack', 134),
  station('preamp', 'Preamp', 118),
  {
    ...{ id: 'gainDb', title: 'Gain', unit: 'dB', widthPx: 44, editor: 'figure', isFigure: true },
    isRequired: true,
    text: ({ settings }) => stated(settings.gainDb?.value),
  },
  {
    ...{ id: 'phantom', title: '48\u00a0V', widthPx: 42, editor: 'switch', isRequired: true },
    text: ({ settings }) => stated(settings.phantom?.value),
  },
  {
    ...{ id: 'inserts', title: 'Inserts', widthPx: 104, editor: 'choice' },
    text: ({ inserts }) => inserts.map(({ name }) => name).join(', '),
  },
  station('converter', 'Converter', 152),
  station('daw-input', 'DAW input', 54),
  typed('trackName', 'Track', 86),
  figure('distanceM', 'Mic at', 50, 'm'),
  figure('levelDbu', 'Line level', 54, 'dBu'),
  { ...{ id: 'status', title: 'Status', widthPx: 104, isPinned: true }, text: ({ status }) => status },
];

/** What a choice cell is asked about. */
export const choiceFieldOf = (id: LineField): ChoiceField =>
  id === 'from' ? 'from' : id === 'inserts' ? 'processor' : (id.slice('pins.'.length) as PinRole);

/** The station a cell shows, where it shows one. */
export const stationIn = (row: PlanRow, id: string): StationCell | undefined =>
  id.startsWith('pins.') ? row.cells[id.slice('pins.'.length) as PinRole] : undefined;

/** The knob a cell shows, where it shows one. */
export const settingIn = (row: PlanRow, id: string): SettingCell | undefined =>
  id === 'gainDb' || id === 'phantom' ? row.settings[id] : undefined;
