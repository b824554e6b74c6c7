import type { WorkedScene } from '../../scene/workedScene';
import type { DeviceId } from '../../rig/ids';
import { firstHostOutputs } from '../../mix/sum/sumStand';
import { hostOutputsOf } from '../../session/daw/hostOutputs';
import type { Track } from '../../session/daw/trackSchema';
import type { Sum } from '../../session/sumSchema';
import type { HeardPrinted } from '../../mix/sum/heardPrinted';
import { heardPrinted } from '../../mix/sum/heardPrinted';
import { originalsWithReturn } from '../../mix/sum/originals';
import { unlinkedMixers } from '../../mix/sum/sumInputs';
import { rangesText } from '../../text/rangesText';
import { listed } from '../../words/findings/speak';
import type { StemRow } from './stemRow';

/** Which originals are heard beside the return, in one sentence. */
function originalsRemark(context: WorkedScene, sum: Sum, print: string): readonly string[] {
  const found = originalsWithReturn(context, sum);
  if (found.length === 0) return [];
  const outputs = [...new Set(found.flatMap((each) => each.outputs))].sort((a, b) => a - b);
  const names = found.map(({ track }) => track.name);
  return [
    `${listed(names)} ${names.length === 1 ? 'comes' : 'come'} out of output ${rangesText(outputs)} with ${print}: original and return sound together, and the return is later. Take that output off under Mix, Tracks.`,
  ];
}

/** Tracks that come along with stems of the sum: they play to the same outputs, and are no stems of it. */
function alongRemarks({ session }: WorkedScene, sum: Sum): readonly string[] {
  const own = new Set<string>(sum.stems.map(({ track }) => track));
  const numbersOf = (track: Track): readonly number[] =>
    track.muted ? [] : track.outputs.flatMap((to) => hostOutputsOf(to, track.width));
  return session.tracks.flatMap((track) => {
    if (!own.has(track.id)) return [];
    const numbers = new Set(track.muted ? [] : firstHostOutputs(track));
    const along = session.tracks.filter(
      (other) =>
        !own.has(other.id) &&
        other.id !== sum.print &&
        numbersOf(other).some((number) => numbers.has(number)),
    );
    return along.length === 0
      ? []
      : [
          `${listed(along.map(({ name }) => name))} ${along.length === 1 ? 'comes' : 'come'} along with ${track.name}: ${along.length === 1 ? 'it plays' : 'they play'} to the same outputs. Mute ${along.length === 1 ? 'it' : 'them'}, or give ${track.name} outputs of its own.`,
        ];
  });
}

/** What is heard and not printed, and the other way round. */
function heardRemarks({ heardOnly, printedOnly }: HeardPrinted): readonly string[] {
  const are = (names: readonly string[]): string => (names.length === 1 ? 'stands' : 'stand');
  return [
    ...(heardOnly.length === 0
      ? []
      : [
          `${listed(heardOnly)} ${are(heardOnly)} on the way to the loudspeakers alone: heard, and not in what is printed. Put it before the print, or mix knowing it.`,
        ]),
    ...(printedOnly.length === 0
      ? []
      : [
          `${listed(printedOnly)} ${are(printedOnly)} on the way to the print alone: printed, and not heard. Listen to what comes back.`,
        ]),
  ];
}

/** Who takes too much of the sum, and who is boosted. */
function stemRemarks(rows: readonly StemRow[]): readonly string[] {
  const most = rows.find(({ isTooMuch }) => isTooMuch);
  const boosted = rows.filter(({ knobs }) => /\bon\b/.test(knobs['boost'] ?? '')).map((row) => row.name);
  return [
    ...(most === undefined
      ? []
      : [
          `${most.name} takes ${most.share} of the sum: everything else lives in what it leaves. Take it down ${most.without} worth of headroom, or give it less.`,
        ]),
    ...(boosted.length === 0
      ? []
      : [
          `Boost is in on ${listed(boosted)}: the last resort. Set the level earlier, where it costs no noise.`,
        ]),
  ];
}

/** What is to be said of a sum as a whole. @param printed samples from its outputs to the host, where it is printed. */
export function remarksOf(
  context: WorkedScene,
  sum: Sum,
  rows: readonly StemRow[],
  printed: number | undefined,
): readonly string[] {
  const { devices, session } = context;
  const name = (id: DeviceId): string => devices.get(id)?.name ?? id;
  const gone = sum.mixers.filter((id) => !devices.has(id));
  const print = session.tracks.find(({ id }) => id === sum.print)?.name;
  return [
    ...gone.map((id) => `${id} is not in the rig any more. Set the sum up on another mixer.`),
    ...unlinkedMixers(context, sum).map(
      (id) =>
        `${name(id)} does not hand its bus on to ${name(sum.mixers[0] ?? id)}: wire expansion out to expansion in.`,
    ),
    ...stemRemarks(rows),
    ...alongRemarks(context, sum),
    ...(print === undefined ? ['Nothing records the sum: say which track prints it.'] : []),
    ...(print !== undefined && printed === undefined
      ? [`The sum does not come back to ${print} in this scene.`]
      : []),
    ...(print === undefined ? [] : originalsRemark(context, sum, print)),
    ...heardRemarks(heardPrinted(context, sum)),
  ];
}
