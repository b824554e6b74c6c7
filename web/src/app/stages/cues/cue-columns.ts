import type { CueSheetView, CueView } from '@ft/core/views/cues/cueSheetView';
import type { SheetColumn } from '../../ui/sheet/sheet-column';
import type { CueRow } from './cue-row';

type Column = SheetColumn<CueRow>;

/** Of what a source can be said to be: a line or a track. */
const canClick = (line: CueRow): boolean =>
  line.kind === 'source' && (line.row.thread !== undefined || line.row.track !== undefined);

const NAME: Column = {
  ...{ id: 'name', title: 'Source', widthPx: 230, isLeading: true },
  text: (line) => (line.kind === 'status' ? 'How it runs' : line.row.name),
};

const CLICK: Column = {
  ...{ id: 'click', title: 'Click', widthPx: 56, editor: 'switch' },
  hint: 'It is the click that people play to',
  isShut: (line) => !canClick(line),
  text: (line) => (canClick(line) && line.kind === 'source' ? (line.row.isClick ? 'on' : 'off') : ''),
};

const cueColumn = ({ id, name, carrier }: CueView): Column => ({
  ...{ id, title: name, unit: carrier, widthPx: 138, editor: 'text' },
  hint: 'Level, pre or post, then pan: “-6 pre L30”; “return” takes it from the recorder; off ends it',
  isShut: (line) => line.kind === 'status' || line.row.texts[id] === undefined,
  isQuiet: (line) => line.kind !== 'status' && line.row.texts[id] === 'off',
  text: (line) => (line.kind === 'status' ? (line.statuses[id] ?? '') : (line.row.texts[id] ?? '')),
});

/** A column for each cue of the scene. */
export const cueColumns = ({ cues }: CueSheetView): readonly Column[] => [
  NAME,
  ...cues.map(cueColumn),
  CLICK,
];
