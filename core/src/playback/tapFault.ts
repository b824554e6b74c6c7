import { shortestWay } from '../graph/shortestWay';
import type { Edge, SignalGraph } from '../graph/signalGraph';
import { knobReader } from '../rig/buildDevice';
import type { KnobRef } from '../rig/deviceModel';
import type { Device } from '../rig/rigSchema';
import type { ChannelCell, SheetRow } from '../rig/sheets/channelSheet';
import type { CheckScene } from './checkScene';

/** What is wrong with where a recorder listens: a mix would be recorded twice over, and faders would be printed. */
export type TapFault = 'after-fader' | 'processed';

const FADERS = ['fader', 'mute', 'vca'];
const PROCESSING = ['trim', 'eq', 'dynamics', 'effect'];

const knobOfCell = (cell: ChannelCell | undefined): readonly KnobRef[] =>
  cell?.kind === 'knob' ? [cell.knob] : [];
const knobsIn = ({ cells }: SheetRow, columns: readonly string[]): readonly KnobRef[] =>
  columns.flatMap((column) => knobOfCell(cells[column]));

const actsOn = ({ knobs = [] }: Edge, { setting, channel }: KnobRef): boolean =>
  knobs.some((knob) => knob.setting === setting && knob.channel === channel);

/** Units outside that a way passes. */
const passesProcessor = (graph: SignalGraph, path: readonly Edge[]): boolean =>
  path.some(({ to }) => graph.stations[graph.stationEndingAt[to] ?? -1]?.role === 'processor');

/**
 * Whether what a channel listens to is recorded as it comes in: before its fader, and before anything that is switched
 * in and changes it.
 * @param source the lane the channel listens to, and `record` where the track takes it in.
 */
export function tapFault(
  { graph, scene }: CheckScene,
  { device, row, source, record }: { device: Device; row: SheetRow; source: number; record: number },
): TapFault | undefined {
  const { path } = shortestWay(graph, source, record);
  const inside = path.filter(({ from }) => graph.lanes[from]?.device === device.id);
  const isOnWay = (knob: KnobRef): boolean => inside.some((edge) => actsOn(edge, knob));
  if (knobsIn(row, FADERS).some(isOnWay)) return 'after-fader';
  const read = knobReader(device, scene.settings);
  const acts = knobsIn(row, PROCESSING).some((knob) => {
    const stands = read(knob.setting, knob.channel);
    return isOnWay(knob) && stands !== false && stands !== 0;
  });
  return acts || passesProcessor(graph, path) ? 'processed' : undefined;
}
