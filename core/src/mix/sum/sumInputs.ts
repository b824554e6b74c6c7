import type { GraphStation } from '../../graph/signalGraph';
import { edgesFrom } from '../../graph/walk';
import { reach } from '../../graph/reach';
import type { DeviceId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import { sheetOf } from '../../rig/sheets/sheetOf';
import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';

/** An input of a sum, counted through all its mixers. */
export interface SumInput {
  readonly number: number;
  readonly device: DeviceId;
  /** Counted on its own mixer. */
  readonly channel: number;
  readonly lane: number;
  readonly name: string;
  /** The station of a summing mixer, whose knobs it has. */
  readonly station?: GraphStation;
  /** The channel of a console: its row on the channel sheet, and what it listens to for its line input. */
  readonly strip?: { readonly row: string; readonly source: string };
}

/** Channels of a console that can listen to a line input: what tracks are brought to when it is used as a mixer. */
function consoleInputs(context: WorkedScene, device: Device): readonly Omit<SumInput, 'number'>[] {
  const rows = sheetOf(device)?.sections.flatMap((section) => section.rows) ?? [];
  return rows.flatMap((row, i): readonly Omit<SumInput, 'number'>[] => {
    const lane =
      row.lineIn &&
      context.graph.laneIndex.get(laneIdOf(device.id, row.lineIn.lane.port, row.lineIn.lane.lane));
    if (row.lineIn === undefined || lane === undefined) return [];
    const name = context.graph.lanes[lane]?.name ?? '';
    return [
      { device: device.id, channel: i + 1, lane, name, strip: { row: row.id, source: row.lineIn.source } },
    ];
  });
}

function inputsOf(context: WorkedScene, device: Device): readonly Omit<SumInput, 'number'>[] {
  const { graph } = context;
  const stations = graph.stations.filter(({ role, device: of }) => role === 'sum' && of === device.id);
  if (stations.length === 0) return consoleInputs(context, device);
  return stations.map((station, i) => ({
    ...{
      device: device.id,
      channel: i + 1,
      lane: station.in,
      name: graph.lanes[station.in]?.name ?? '',
      station,
    },
  }));
}

/** Whether a device can be a mixer of a sum: it has summing inputs, or channels with line inputs. */
export const canSum = (context: WorkedScene, device: Device): boolean => inputsOf(context, device).length > 0;

/** Every input of a sum in order, the first mixer's first. */
export function sumInputs(context: WorkedScene, { mixers }: Pick<Sum, 'mixers'>): readonly SumInput[] {
  const all = mixers.flatMap((id) => {
    const device = context.devices.get(id);
    return device === undefined ? [] : inputsOf(context, device);
  });
  return all.map((input, i) => ({ number: i + 1, ...input }));
}

/** The outputs of the first mixer that are printed: left, then right. */
export function sumOutputs({ graph }: WorkedScene, { mixers }: Pick<Sum, 'mixers'>): readonly number[] {
  const [first] = mixers;
  const ports = [
    'out-left',
    'out-right',
    'mix-out-left',
    'mix-out-right',
    'mix-left',
    'mix-right',
    'out-1',
    'out-2',
  ];
  return ports.flatMap((port) => graph.laneIndex.get(`${first ?? ''}/${port}/1` as never) ?? []).slice(0, 2);
}

/** Mixers behind the first whose bus does not come to it: the expansion is not wired. */
export function unlinkedMixers(context: WorkedScene, sum: Pick<Sum, 'mixers'>): readonly DeviceId[] {
  const { graph } = context;
  const outs = sumOutputs(context, sum);
  const towards = reach(graph, outs, 'to');
  const inputs = sumInputs(context, sum);
  return sum.mixers
    .slice(1)
    .filter(
      (id) =>
        !inputs.some(
          ({ device, lane }) => device === id && edgesFrom(graph, lane).some(({ to }) => towards.has(to)),
        ),
    );
}
