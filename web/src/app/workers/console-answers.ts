import type { ChannelEntry, ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { CopyWish } from '@ft/core/actions/consoles/copiedChannel';
import { copiedChannel } from '@ft/core/actions/consoles/copiedChannel';
import type { CountWish } from '@ft/core/actions/consoles/countedCells';
import { countedCells } from '@ft/core/actions/consoles/countedCells';
import type { MadeReady, ReadyWish } from '@ft/core/actions/consoles/madeReady';
import { madeReady } from '@ft/core/actions/consoles/madeReady';
import type { DeskPlace } from '@ft/core/actions/consoles/plannedCells';
import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import type { SpillWish } from '@ft/core/actions/consoles/spill';
import { spill } from '@ft/core/actions/consoles/spill';
import type { ZeroedConsole } from '@ft/core/actions/consoles/zeroedConsole';
import { zeroedConsole } from '@ft/core/actions/consoles/zeroedConsole';
import type { AutomationPlan } from '@ft/core/consoles/automation';
import { automationPlan } from '@ft/core/consoles/automation';
import { readyPlan } from '@ft/core/consoles/ready/readyPlan';
import type { StripBudget } from '@ft/core/consoles/stripBudget';
import { stripBudget } from '@ft/core/consoles/stripBudget';
import { deskOf } from '@ft/core/consoles/desk';
import { channelsCsv } from '@ft/core/formats/csv/channelsCsv';
import { channelTable } from '@ft/core/formats/csv/channelTable';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import type { DeviceId } from '@ft/core/rig/ids';
import type { CellChoice } from '@ft/core/views/consoles/cellChoices';
import { cellChoices } from '@ft/core/views/consoles/cellChoices';
import type { ChannelSheetView, DeviceWithChannels } from '@ft/core/views/consoles/channelSheetView';
import { channelSheetView, devicesWithChannels } from '@ft/core/views/consoles/channelSheetView';
import type { MatrixPage } from '@ft/core/views/consoles/matrixPage';
import { matrixPage } from '@ft/core/views/consoles/matrixPage';
import type { SettingCell } from '@ft/core/views/settingCells';
import { rowKnobs } from '@ft/core/views/consoles/rowKnobs';
import type { SilenceLine } from '@ft/core/views/consoles/silenceLines';
import { silenceLines } from '@ft/core/views/consoles/silenceLines';
import type { WorkerState } from './worker-state';

/** A cell of a channel sheet. */
export interface CellAddress {
  readonly device: DeviceId;
  readonly row: string;
  readonly column: string;
}

/** What the channel sheet may ask. */
export interface ConsoleAnswers {
  /** Every device with channels, consoles first. */
  consoles(): readonly DeviceWithChannels[];
  channelSheet(id: DeviceId): ChannelSheetView | undefined;
  /** What can stand in a cell, best first. */
  cellChoices(cell: CellAddress, text: string): readonly CellChoice[];
  /** A patch page as a grid of sources against destinations. */
  matrixPage(id: DeviceId, section: string): MatrixPage | undefined;
  /** The knobs of a row, to be turned on trial. */
  rowKnobs(id: DeviceId, row: string): readonly SettingCell[];
  /** Texts for cells: typed, pasted, filled down, read from a table. */
  channelCells(id: DeviceId, entries: readonly ChannelEntry[]): ChannelPlan;
  countChannels(id: DeviceId, wish: CountWish): ChannelPlan;
  spillChannels(id: DeviceId, wish: SpillWish): ChannelPlan;
  copyChannel(id: DeviceId, wish: CopyWish): ChannelPlan;
  /** What making ready consists of, by id; undefined for a device that has no usual way. */
  readyLines(id: DeviceId): readonly string[] | undefined;
  makeReady(id: DeviceId, wish: ReadyWish): MadeReady | undefined;
  zeroConsole(id: DeviceId): ZeroedConsole | undefined;
  stripBudget(id: DeviceId): StripBudget | undefined;
  /** What automation of a console takes; undefined for one that has none. */
  automation(id: DeviceId): AutomationPlan | undefined;
  /** A table of channels, read against the console or written of it. */
  readChannels(id: DeviceId, text: string): TableReading;
  writeChannels(id: DeviceId): string | undefined;
  /** Why nothing is heard, ear by ear. */
  silence(): readonly SilenceLine[];
}

/** Answers about the consoles of the scene last planned. */
export function createConsoleAnswers(there: () => WorkerState): ConsoleAnswers {
  const at = (device: DeviceId): DeskPlace => {
    const { studio, place, context } = there();
    return { studio, place, context, device };
  };
  return {
    consoles: () => devicesWithChannels(there().context),
    channelSheet: (id) => channelSheetView(there().context, id),
    cellChoices: ({ device, row, column }, text) =>
      cellChoices(there().context, device, { row, column }, text),
    matrixPage: (id, section) => matrixPage(there().context, id, section),
    rowKnobs: (id, row) => rowKnobs(there().context, id, row),
    channelCells: (id, entries) => plannedCells(at(id), entries),
    countChannels: (id, wish) => countedCells(at(id), wish),
    spillChannels: (id, wish) => spill(at(id), wish),
    copyChannel: (id, wish) => copiedChannel(at(id), wish),
    readyLines(id) {
      const desk = deskOf(there().context, id);
      return desk && readyPlan(there().context, desk)?.lines.map((line) => line.id);
    },
    makeReady: (id, wish) => madeReady(at(id), wish),
    zeroConsole: (id) => zeroedConsole(there().studio, there().place, id),
    stripBudget(id) {
      const desk = deskOf(there().context, id);
      return desk && stripBudget(there().context, desk);
    },
    automation: (id) => automationPlan(there().context, id),
    readChannels: (id, text) => channelTable(at(id), text),
    writeChannels(id) {
      const sheet = channelSheetView(there().context, id);
      return sheet && channelsCsv(sheet);
    },
    silence: () => silenceLines(there().context),
  };
}
