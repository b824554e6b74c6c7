import type { LadderGap, Term } from '../levels/ladder';
import type { Edge } from '../graph/signalGraph';
import { formatGain, formatLevel, formatOhm, formatSamples } from '../units/format';

/** One line of the arithmetic of a rung, as an engineer would write it beside the figure. */
export function termLine(term: Term): string {
  switch (term.kind) {
    case 'microphone':
      return `${formatLevel(term.sensitivityDbu, 'dBu')} in 94 dB SPL, ${formatGain(term.soundDbSpl - 94)} dB for ${String(term.soundDbSpl)} dB SPL`;
    case 'loading':
      return `${formatGain(term.lossDb)} dB: ${formatOhm(term.sourceOhm)} into ${formatOhm(term.loadOhm)}`;
    case 'one-leg':
      return `${formatGain(term.gainDb)} dB: an unbalanced input takes one leg of the balanced output`;
    case 'air':
      return `${formatSamples(term.delaySamples)} samples for ${String(term.distanceM)} m of air`;
    case 'gain':
      return `${formatGain(term.gainDb)} dB gain`;
    case 'reference':
      return `0 dBFS = ${formatLevel(term.referenceDbu, 'dBu')}`;
  }
}

/** What an edge adds beside level: noise (in the unit it arrives in), delay, polarity. */
export function edgeLines(edge: Edge | undefined, unit: 'dBu' | 'dBFS'): readonly string[] {
  if (edge === undefined) return [];
  return [
    ...(edge.outputNoise === undefined
      ? []
      : [`adds noise of ${formatLevel(edge.outputNoise, unit)} at its output`]),
    ...(edge.inputNoise === undefined
      ? []
      : [`adds noise of ${formatLevel(edge.inputNoise, 'dBu')} at its input`]),
    ...(edge.delaySamples === 0 ? [] : [`${formatSamples(edge.delaySamples)} samples late`]),
    ...(edge.inverts ? ['inverts polarity'] : []),
  ];
}

const GAPS: Record<LadderGap['code'], (lane: string) => string> = {
  'sound-level-unknown': (lane) =>
    `No sound level is given at ${lane}, so no levels can be told. Enter it in the input list.`,
  'level-unknown': (lane) =>
    `No level is given for ${lane}, so no levels can be told. Enter it in the input list.`,
  'crest-unknown': () =>
    'No crest factor is given, so no peaks can be told. Voice is about 14 dB, drums about 20 dB.',
  'noise-unknown': (lane) => `The noise of ${lane} is not known, so the noise shown starts after it.`,
  'noise-weighted': (lane) =>
    `The noise of ${lane} itself is A-weighted, that of everything after it is not: their sum is a mixed figure.`,
  'impedance-unknown': (lane) =>
    `An impedance on the line from ${lane} is not known, so its loading is not counted.`,
  'max-unknown': (lane) => `The maximum of ${lane} is not known, so nothing is said about its headroom.`,
};

/** What a missing figure keeps the ladder from telling. */
export const gapLine = (gap: LadderGap, laneName: string): string => GAPS[gap.code](laneName);
