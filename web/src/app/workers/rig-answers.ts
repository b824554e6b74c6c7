import type { Edit } from '@ft/core/edits/make';
import type { RigTableName } from '@ft/core/formats/csv/rigTables';
import { RIG_TABLE } from '@ft/core/formats/csv/rigTables';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import type { BaysView } from '@ft/core/views/bay/bayView';
import { baysView } from '@ft/core/views/bay/bayView';
import type { FaultLine } from '@ft/core/views/rig/faultLines';
import { faultLines } from '@ft/core/views/rig/faultLines';
import type { DeviceViewModel } from '@ft/core/views/rig/deviceView';
import { channelSettings, deviceView } from '@ft/core/views/rig/deviceView';
import type { FlowGraph } from '@ft/core/views/flow/flowGraph';
import { flowGraph } from '@ft/core/views/flow/flowGraph';
import type { HandPatch } from '@ft/core/actions/bay/handPatch';
import { moveByHand, pullByHand } from '@ft/core/actions/bay/handPatch';
import type { JackInfo } from '@ft/core/views/bay/jackInfo';
import { jackInfo } from '@ft/core/views/bay/jackInfo';
import {
  changeParamsEdits,
  removeDevicesEdits,
  removeRoomEdits,
  removeStockEdits,
} from '@ft/core/actions/rig/rigEdits';
import type { RigLoss } from '@ft/core/actions/rig/rigLoss';
import { rigLoss } from '@ft/core/actions/rig/rigLoss';
import type { WireEnd, WireLine } from '@ft/core/views/rig/rigView';
import { wireEnds, wireLines } from '@ft/core/views/rig/rigView';
import type { SettingCell } from '@ft/core/views/settingCells';
import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { WireCell } from '@ft/core/actions/rig/wireCells';
import { wireCellsEdits } from '@ft/core/actions/rig/wireCells';
import type { WirePreview, WireWish } from '@ft/core/actions/rig/wirePreview';
import { rowNames, wirePreview } from '@ft/core/actions/rig/wirePreview';
import type { GearPlan } from '@ft/core/actions/rig/gearPlan';
import { gearPlan } from '@ft/core/actions/rig/gearPlan';
import type { DeviceId, LaneId, RoomId } from '@ft/core/rig/ids';
import type { CordStock, Device, Room } from '@ft/core/rig/rigSchema';
import { rigCheck } from '@ft/core/rig/wiring/rigCheck';
import type { RigNoteView } from '@ft/core/words/rigNoteWording';
import { rigNoteViews } from '@ft/core/words/rigNoteWording';
import type { WorkerState } from './worker-state';

/** A change to the rig that takes something with it: its edits, and what breaks. */
export interface RigChange {
  readonly edits: readonly Edit[];
  readonly loss: RigLoss;
}

/** What the screens of the rig may ask. */
export interface RigAnswers {
  wires(): readonly WireLine[];
  /** Texts for the ends of wires: typed, pasted, filled down. */
  wireCells(cells: readonly WireCell[]): CellsEdits;
  wireEnds(direction: 'in' | 'out', text: string): readonly WireEnd[];
  rowNames(direction: 'in' | 'out'): readonly string[];
  wirePreview(wish: WireWish): WirePreview;
  rigNotes(): readonly RigNoteView[];
  /** A typed list of devices, worked out, with the usual cords for them where they are wanted. */
  gear(text: string, room: RoomId, withCords: boolean): GearPlan;
  faults(): readonly FaultLine[];
  readTable(table: RigTableName, text: string): TableReading;
  writeTable(table: RigTableName): string;
  device(id: DeviceId): DeviceViewModel | undefined;
  channelSettings(id: DeviceId, channel: number): readonly SettingCell[];
  removeDevice(device: Device): RigChange;
  removeRoom(room: Room): RigChange;
  removeStock(stock: CordStock): RigChange;
  changeParams(device: Device, params: Readonly<Record<string, unknown>>): RigChange;
  bays(): BaysView;
  jack(id: LaneId): JackInfo | undefined;
  /** Plugs a cord from a free jack, or moves the plug that sits in the first one. */
  plug(one: LaneId, other: LaneId): HandPatch;
  pull(jack: LaneId): HandPatch;
  flow(middle: DeviceId, steps: number): FlowGraph;
}

/** Answers about the rig of the scene last planned. */
export function createRigAnswers(there: () => WorkerState): RigAnswers {
  const change = (edits: readonly Edit[]): RigChange => ({ edits, loss: rigLoss(there().studio, edits) });
  return {
    wires: () => wireLines(there().context),
    wireCells: (cells) => wireCellsEdits(there().context, cells),
    wireEnds: (direction, text) => wireEnds(there().context, direction, text),
    rowNames: (direction) => rowNames(there().context, direction),
    wirePreview: (wish) => wirePreview(there().context, wish),
    gear: (text, room, withCords) => gearPlan(there().studio.rig, text, room, withCords),
    rigNotes() {
      const { rig, graph } = there().context;
      return rigNoteViews(rigCheck(rig), (id) => graph.lanes[graph.laneIndex.get(id) ?? -1]?.name ?? id);
    },
    faults: () => faultLines(there().context),
    readTable: (table, text) => RIG_TABLE[table].read(text, there().studio.rig),
    writeTable: (table) => RIG_TABLE[table].write(there().studio.rig),
    device: (id) => deviceView(there().studio, there().context, id),
    channelSettings: (id, channel) => channelSettings(there().context, id, channel),
    removeDevice: (device) => change(removeDevicesEdits(there().studio, [device])),
    removeRoom: (room) => change(removeRoomEdits(there().studio, room)),
    removeStock: (stock) => change(removeStockEdits(stock)),
    changeParams: (device, params) => change(changeParamsEdits(there().studio, device, params)),
    bays: () => baysView(there().context),
    jack: (id) => jackInfo(there().context, id),
    plug: (one, other) => moveByHand(there().context, one, other),
    pull: (jack) => pullByHand(there().context, jack),
    flow: (middle, steps) => flowGraph(there().context, middle, steps),
  };
}
