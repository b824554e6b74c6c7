import { carriedIn } from '../../consoles/carried';
import { cellText, knobsOf } from '../../consoles/cells/channelCell';
import type { Desk, DeskRow } from '../../consoles/desk';
import { deskOf } from '../../consoles/desk';
import { insertedUnit, leadsOf } from '../../consoles/leads';
import { REMOTE } from '../../rig/catalogue/consoles/remoteRows';
import type { DeviceId, LaneId } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import { settingKeyOf } from '../../rig/settings';
import type { SheetLayer } from '../../rig/sheets/channelSheet';
import { sheetOf } from '../../rig/sheets/sheetOf';
import { byNumber } from '../../session/byNumber';
import type { WorkedScene } from '../../scene/workedScene';
import type { ChannelColumnView } from './cellEditor';
import { editorOf } from './cellEditor';
import { matrixSections } from './matrixPage';

/** A row of a channel sheet as a screen, a paper or a file shows it. */
export interface ChannelRowView {
  readonly id: string;
  readonly name: string;
  readonly section: string;
  readonly lane?: LaneId;
  /** What it carries, by the lines of the input list; empty for nothing. */
  readonly carries: string;
  /** The unit on its insert point. */
  readonly unit: string;
  readonly leads: string;
  /** What stands in its cells, by column; a column it does not have is left out. */
  readonly texts: Readonly<Record<string, string>>;
  /** Whether this job uses it: something sounds there, or follows it; of what has no sound, whether it was turned. */
  readonly isUsed: boolean;
}

/** A device with channels in a scene, row by row. */
export interface ChannelSheetView {
  readonly device: DeviceId;
  readonly name: string;
  readonly type: string;
  readonly columns: readonly ChannelColumnView[];
  readonly sections: readonly { readonly id: string; readonly title: string; readonly rows: number }[];
  readonly layers: readonly SheetLayer[];
  /** Sections that can be looked at as a grid of sources against destinations. */
  readonly matrices: readonly { readonly id: string; readonly title: string }[];
  readonly rows: readonly ChannelRowView[];
}

const isTurned = ({ scene }: WorkedScene, { cells }: DeskRow, device: DeviceId): boolean =>
  Object.values(cells).some(
    ({ device: of, cell }) =>
      of.id === device &&
      knobsOf(cell).some(
        ({ setting, channel }) => scene.settings[settingKeyOf(of.id, setting, channel)] !== undefined,
      ),
  );

/** Whether anything is heard at a row; of one without a sound of its own, whether a knob of it was turned. */
const sounds = (context: WorkedScene, row: DeskRow, device: DeviceId): boolean =>
  row.lane === undefined
    ? isTurned(context, row, device)
    : (context.field.arrivals[row.lane]?.length ?? 0) > 0;

/** A VCA is used once a channel that is used follows it. */
function withFollowed(rows: readonly ChannelRowView[]): readonly ChannelRowView[] {
  const followed = new Set(rows.flatMap(({ isUsed, texts }) => (isUsed ? (texts['vca'] ?? []) : [])));
  return rows.map((row) => (followed.has(row.name) ? { ...row, isUsed: true } : row));
}

/** The host's tracks in their order, for the faders of a remote layer. */
function hostTrack({ session }: WorkedScene, { id }: DeskRow): string {
  const place = Number(id.slice(REMOTE.length + 1)) - 1;
  return [...session.tracks].sort(byNumber)[place]?.name ?? '';
}

function rowView(
  context: WorkedScene,
  desk: Desk,
  carried: (lane: number) => string,
  row: DeskRow,
): ChannelRowView {
  const comes = row.lane === undefined ? '' : carried(row.lane);
  const carries = row.section === REMOTE ? hostTrack(context, row) : comes;
  const lane = row.lane === undefined ? undefined : context.graph.lanes[row.lane]?.id;
  return {
    ...{ id: row.id, name: row.name, section: row.section, carries },
    ...(lane !== undefined && { lane }),
    unit: insertedUnit(context, row),
    leads: leadsOf(context, desk, row),
    texts: Object.fromEntries(
      Object.entries(row.cells).map(([column, { device, cell }]) => [
        column,
        cellText(cell, desk.knobs(device)),
      ]),
    ),
    isUsed: carries !== '' || sounds(context, row, desk.device.id),
  };
}

/** The channel sheet of a device; undefined for one that is gone or has no channels. */
export function channelSheetView(context: WorkedScene, id: DeviceId): ChannelSheetView | undefined {
  const desk = deskOf(context, id);
  if (desk === undefined) return undefined;
  const carried = carriedIn(context);
  return {
    ...{ device: id, name: desk.device.name, type: desk.device.type, layers: desk.sheet.layers },
    matrices: matrixSections(desk),
    columns: desk.columns.map((column) => ({ ...column, editor: editorOf(desk, column) })),
    sections: desk.sheet.sections.map(({ id: section, title, rows }) => ({
      ...{ id: section, title, rows: rows.length },
    })),
    rows: withFollowed(desk.rows.map((row) => rowView(context, desk, carried, row))),
  };
}

/** Kinds of gear whose channels are worked on together: these come first where a sheet is chosen. */
const CONSOLES = ['splitConsole', 'digitalConsole', 'audioInterface', 'summingMixer', 'passiveSumming'];

export interface DeviceWithChannels {
  readonly id: DeviceId;
  readonly name: string;
}

const placeOf = ({ type }: Device): number =>
  CONSOLES.includes(type) ? CONSOLES.indexOf(type) : CONSOLES.length;

/** Every device with channels, consoles first. */
export const devicesWithChannels = ({ rig }: WorkedScene): readonly DeviceWithChannels[] =>
  rig.devices
    .filter((device) => device.type !== 'dawHost' && sheetOf(device) !== undefined)
    .sort((a, b) => placeOf(a) - placeOf(b))
    .map(({ id, name }) => ({ id, name }));
