import { hostOf } from '../../../graph/dawTracks';
import { netDrivenBy } from '../../../graph/nets';
import type { SignalGraph } from '../../../graph/signalGraph';
import { hostChannels } from '../../../mix/hostChannels';
import type { WorkedScene } from '../../../scene/workedScene';
import { hostOutputsOf } from '../../../session/daw/hostOutputs';
import type { Track } from '../../../session/daw/trackSchema';
import type { Job } from '../../../session/jobSchema';
import type { CellReading } from '../../../text/cellReading';
import { all, refuse, value } from '../../../text/cellReading';
import type { InLineEnd } from './jobLines';
import { hostInput } from './jobLines';

/** Inputs an output feeds over copper; a summing input before others. */
function fedBy(graph: SignalGraph, dac: number): number | undefined {
  const { loads } = netDrivenBy(graph, dac);
  const sums = new Set(graph.stations.filter(({ role }) => role === 'sum').map((station) => station.in));
  return loads.find((lane) => sums.has(lane)) ?? loads[0];
}

/** Behind a track: from each of its outputs to the input that output feeds now. */
function behind(context: WorkedScene, track: Track): CellReading<InLineEnd[]> {
  const { graph } = context;
  const [first] = track.outputs.filter(({ to }) => to === 'host');
  const numbers = first === undefined ? [] : hostOutputsOf(first, track.width);
  if (numbers.length === 0)
    return refuse(
      `${track.name} goes to no output of the host, so nothing stands behind it. Give it one under Mix, Tracks.`,
    );
  if (numbers.length !== track.width)
    return refuse(
      `${track.name} is mono on a pair of outputs, and the chain has one side. Give the track one output, or put the job on a stereo group.`,
    );
  const channels = hostChannels(context);
  return all(
    numbers.map((number): CellReading<InLineEnd> => {
      const channel = channels.find((each) => each.number === number);
      const dac = channel?.dacs.find(({ turns }) => !turns)?.lane ?? channel?.dacs[0]?.lane;
      const [from, to] = [
        graph.lanes[channel?.output ?? -1]?.id,
        graph.lanes[(dac === undefined ? undefined : fedBy(graph, dac)) ?? -1]?.id,
      ];
      return from === undefined || to === undefined
        ? refuse(
            `Output ${String(number)} of the host feeds nothing yet. Patch it to the sum first, and the chain goes between.`,
          )
        : value({ from, to });
    }),
  );
}

/** Before a track: from what drives each of its inputs now. */
function before(context: WorkedScene, track: Track): CellReading<InLineEnd[]> {
  const { graph, nets, rig, session } = context;
  const host = hostOf(rig.devices, session);
  if (track.input.from !== 'host' || host === undefined)
    return refuse(
      `${track.name} takes in no input of the host, so nothing stands before it. Give it one under Mix, Tracks.`,
    );
  const { first } = track.input;
  const channels = hostChannels(context);
  return all(
    Array.from({ length: track.width }, (_, side): CellReading<InLineEnd> => {
      const number = first + side;
      const input = hostInput(context, host.id, number);
      const adc = channels.find((each) => each.number === number)?.adcs[0]?.lane;
      const net = adc === undefined ? undefined : nets.find(({ loads }) => loads.includes(adc));
      const from = graph.lanes[net?.driver ?? -1]?.id;
      return from === undefined || input === undefined
        ? refuse(
            `Nothing plays into input ${String(number)} of the host yet. Patch the sum to ${track.name} first, and the chain goes between.`,
          )
        : value({ from, input });
    }),
  );
}

/** Where the sides of a chain in line start and end. */
export const inLineEnds = (context: WorkedScene, { at }: Job, track: Track): CellReading<InLineEnd[]> =>
  at.in === 'input' ? before(context, track) : behind(context, track);
