import type { GraphStation } from '../../graph/signalGraph';
import { edgesFrom } from '../../graph/walk';
import { reach } from '../../graph/reach';
import type { DeviceId } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
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
}

/** Line inputs of a console, one a channel: what tracks are brought to when it is used as a mixer. */
function consoleLanes({ graph }: WorkedScene, device: Device): readonly number[] {
  const numbered = graph.lanes.flatMap(({ device: of, direction, medium, face, name, index }) => {
    const isInput = of === device.id && direction === 'in' && medium === 'line' && face !== 'inside';
    const n = isInput ? /\bline in (\d+)$/.exec(name)?.[1] : undefined;
    return n === undefined ? [] : [{ n: Number(n), index }];
  });
  return numbered.sort((a, b) => a.n - b.n).map(({ index }) => index);
}

const CONSOLES: ReadonlySet<string> = new Set(['splitConsole', 'digitalConsole']);

/** Whether a device can be a mixer of a sum: it has summing inputs, or channels with line inputs. */
export const canSum = (context: WorkedScene, device: Device): boolean => inputsOf(context, device).length > 0;

function inputsOf(context: WorkedScene, device: Device): readonly Omit<SumInput, 'number'>[] {
  const { graph } = context;
  const stations = graph.stations.filter(({ role, device: of }) => role === 'sum' && of === device.id);
  const own = (lane: number, i: number): Omit<SumInput, 'number'> => ({
    ...{ device: device.id, channel: i + 1, lane, name: graph.lanes[lane]?.name ?? '' },
  });
  if (stations.length > 0) return stations.map((station, i) => ({ ...own(station.in, i), station }));
  return CONSOLES.has(device.type) ? consoleLanes(context, device).map(own) : [];
}

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
