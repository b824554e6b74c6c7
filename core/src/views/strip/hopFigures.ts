import type { StripHop } from './strip';
import { formatGain, formatMs } from '../../units/format';

/** The figures printed under a hop. One that is the same as at the hop before is left blank. */
export interface HopFigures {
  readonly nominal: string;
  readonly peak: string;
  readonly noise: string;
  readonly delay: string;
}

const changed = (now: string, before: string | undefined): string => (now === before ? '' : now);

const text = (level: number | undefined): string => (level === undefined ? '' : formatGain(level));

const all = (hop: StripHop): HopFigures => ({
  nominal: text(hop.nominal),
  peak: text(hop.peak),
  noise: text(hop.noise),
  delay: hop.delaySamples === 0 ? '' : formatMs(hop.delayMs).replace(' ms', ''),
});

/** Figures for every hop. */
export function hopFigures(hops: readonly StripHop[]): readonly HopFigures[] {
  return hops.map((hop, i) => {
    const now = all(hop);
    const previous = hops[i - 1];
    if (previous?.unit !== hop.unit) return now;
    const before = all(previous);
    return {
      nominal: changed(now.nominal, before.nominal),
      peak: changed(now.peak, before.peak),
      noise: changed(now.noise, before.noise),
      delay: changed(now.delay, before.delay),
    };
  });
}
