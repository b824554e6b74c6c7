import { TOLERANCE } from '../units/tolerance';

/** One way in which a source is present at a lane. */
export interface Arrival {
  /** Index of the source. */
  readonly source: number;
  /** Change of level since the source, change of scale from dBu to dBFS included. */
  readonly gainDb: number;
  readonly delaySamples: number;
  /**
   * When it really is there: with what the host compensates taken off, and what the host delays everything by added,
   * once it passes the host. This decides how it meets others.
   */
  readonly alignedSamples: number;
  /** Whether it passes a track of the host. */
  readonly throughHost: boolean;
  readonly inverted: boolean;
}

/** Of more ways of one source than this the weakest are let go: a mult of mults would otherwise never end. */
export const MOST_WAYS = 48;

const voltageOf = ({ gainDb, inverted }: Arrival): number => 10 ** (gainDb / 20) * (inverted ? -1 : 1);

/** Two arrivals that differ in nothing but level, as one: their voltages add. */
function added(a: Arrival, b: Arrival): Arrival {
  const volts = voltageOf(a) + voltageOf(b);
  return { ...a, gainDb: 20 * Math.log10(Math.abs(volts)), inverted: volts < 0 };
}

/** Whether two arrivals of one source do. */
const meetsInTime = (a: Arrival, b: Arrival): boolean =>
  a.throughHost === b.throughHost && Math.abs(a.alignedSamples - b.alignedSamples) < TOLERANCE.samples;

/** Arrivals of a lane, those that come together in time added as voltages, polarity and all. */
export function merged(arrivals: readonly Arrival[]): readonly Arrival[] {
  if (arrivals.length < 2) return arrivals;
  const out: Arrival[] = [];
  // Where each source stands in `out`: a bus has many sources, and most of them come once.
  const places = new Map<number, number[]>();
  for (const arrival of arrivals) {
    const own = places.get(arrival.source);
    const at = own?.find((place) => meetsInTime(out[place] ?? arrival, arrival));
    const met = at === undefined ? undefined : out[at];
    if (at !== undefined && met !== undefined) {
      out[at] = added(met, arrival);
      continue;
    }
    if (own === undefined) places.set(arrival.source, [out.length]);
    else own.push(out.length);
    out.push(arrival);
  }
  return out.length <= MOST_WAYS ? out : strongestWays(out);
}

/** Of each source its strongest ways. However many sources a bus has, none of them is lost. */
function strongestWays(arrivals: readonly Arrival[]): readonly Arrival[] {
  const counts = new Map<number, number>();
  return [...arrivals]
    .sort((a, b) => b.gainDb - a.gainDb || a.source - b.source)
    .filter(({ source }) => {
      const before = counts.get(source) ?? 0;
      counts.set(source, before + 1);
      return before < MOST_WAYS;
    });
}
