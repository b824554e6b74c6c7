import type { TrackFlag } from '@ft/core/actions/mix/trackCellsEdits';
import { TRACK_KINDS } from '@ft/core/session/daw/trackSchema';
import type { TrackField } from '@ft/core/typed/track/trackCells';
import type { TrackRow } from '@ft/core/views/mix/trackView';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';

/** A column of the track sheet. Its id is the field of the track, or where the track leads in the rig. */
export interface TrackColumn extends SheetColumn<TrackRow> {
  readonly id: TrackField | TrackFlag | 'rig';
}

/** A VCA carries no signal: of what signal needs it has the level alone. */
const isVca = ({ track }: TrackRow): boolean => track.kind === 'vca';

const column = (
  id: TrackField,
  title: string,
  widthPx: number,
  more: Partial<TrackColumn> = {},
): TrackColumn => ({
  ...{ id, title, widthPx, editor: 'text', text: ({ texts }: TrackRow) => texts[id] },
  ...more,
});

const OF_SIGNAL = { isShut: isVca } as const;
const FIGURE = { editor: 'figure', isFigure: true } as const;

const flag = (id: TrackFlag, title: string, hint: string): TrackColumn => ({
  ...{ id, title, hint, widthPx: 44, editor: 'switch', isRequired: true },
  text: ({ track }) => (track[id] ? 'on' : 'off'),
});

/** The track sheet, in the order in which a track is thought of. */
export const TRACK_COLUMNS_SHOWN: readonly TrackColumn[] = [
  column('number', 'No', 42, { ...FIGURE, isRequired: true }),
  column('name', 'Name', 96, { isRequired: true }),
  column('kind', 'Kind', 78, { editor: 'choice', isRequired: true }),
  column('width', 'W', 34, { ...FIGURE, isRequired: true, hint: 'Width: how many lanes' }),
  column('input', 'Input', 88, { ...OF_SIGNAL, hint: '5, or bus Music' }),
  column('inserts', 'Inserts', 118, { ...OF_SIGNAL, hint: 'De-esser @64; hw 5' }),
  column('sends', 'Sends', 164, { ...OF_SIGNAL, hint: 'bus Plate −6 pre' }),
  column('faderDb', 'Fader', 50, { ...FIGURE, unit: 'dB' }),
  column('pan', 'Pan', 44, { ...OF_SIGNAL, ...FIGURE, hint: 'C, L20, R100' }),
  column('outputs', 'Outputs', 124, { ...OF_SIGNAL, hint: '1 + bus Stems' }),
  column('vca', 'VCA', 70, { ...OF_SIGNAL, editor: 'choice' }),
  flag('recordArm', 'Rec', 'Record armed'),
  flag('inputMonitor', 'Mon', 'Input monitored'),
  flag('muted', 'Mute', 'Muted'),
  column('levelDbfs', 'Plays', 56, { ...OF_SIGNAL, ...FIGURE, unit: 'dBFS', hint: 'Nothing: line-up' }),
  column('crestDb', 'Crest', 50, { ...OF_SIGNAL, ...FIGURE, unit: 'dB' }),
  column('recordedAtHz', 'Rate', 46, {
    ...OF_SIGNAL,
    ...FIGURE,
    unit: 'kHz',
    hint: 'Nothing: the session’s',
  }),
  {
    ...{ id: 'rig', title: 'In the rig', widthPx: 190 },
    text: ({ hears, plays }) =>
      [
        ...(hears.length > 0 ? [`hears ${hears.join(', ')}`] : []),
        ...(plays.length > 0 ? [`plays ${plays.join(', ')}`] : []),
      ].join('; '),
  },
];

/** Columns that most sessions leave empty: they fold away as long as nothing stands in them. */
export const SELDOM: ReadonlySet<string> = new Set<TrackField>(['levelDbfs', 'crestDb', 'recordedAtHz']);

/** The names that can stand in a cell that is chosen. */
export const namesFor = (id: string, rows: readonly TrackRow[]): readonly string[] =>
  id === 'kind' ? TRACK_KINDS : rows.filter(isVca).map(({ track }) => track.name);
