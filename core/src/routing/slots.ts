import type { SignalGraph } from '../graph/signalGraph';
import type { Thread } from '../session/sessionSchema';

/** The first side of the wide thread that a thread is a side of; itself where it stands alone. */
export const leadOf = ({ id, link }: Thread): string => link?.lead ?? id;

/** Which side it is, from 0. */
export const sideOf = ({ link }: Thread): number => (link?.place ?? 1) - 1;

/** The lanes of all DAW inputs. */
export const dawInputs = ({ stations }: SignalGraph): readonly number[] =>
  stations.filter(({ role }) => role === 'daw-input').map(({ out }) => out);

/** Runs of adjacent DAW inputs that begin with an odd one, `width` lanes each. */
export function slotsOf(graph: SignalGraph, width: number): readonly (readonly number[])[] {
  const byChannel = new Map<string, number>();
  const inputs = graph.stations.filter(({ role }) => role === 'daw-input');
  for (const { device, channel, out } of inputs) byChannel.set(`${device} ${String(channel)}`, out);
  return inputs.flatMap(({ device, channel }) => {
    if (channel % 2 === 0) return [];
    const lanes = Array.from({ length: width }, (_, i) => byChannel.get(`${device} ${String(channel + i)}`));
    return lanes.every((lane): lane is number => lane !== undefined) ? [lanes] : [];
  });
}
