import { hostOf, trackPort } from '../../graph/dawTracks';
import type { Arrival } from '../../levels/arrival';
import { arrivalsAt } from '../../levels/laneSum';
import type { MonoSum } from '../../mix/monoSum';
import { monoSum } from '../../mix/monoSum';
import { laneIdOf } from '../../rig/ids';
import { sourceRef } from '../../scene/places';
import type { WorkedScene } from '../../scene/workedScene';
import type { Track } from '../../session/daw/trackSchema';
import { TOLERANCE } from '../../units/tolerance';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** What two unlike sides lose is 3 dB; what comes near that from one sound is thin. Common practice, no source. */
const THIN_DB = 2;

interface Thin extends MonoSum {
  readonly source: number;
}

/** Ways that come at one time and one way up add as they should: a mono sound between two sides, above all. */
const isAlike = (ways: readonly Arrival[]): boolean =>
  ways.every(
    ({ alignedSamples, inverted }) =>
      inverted === ways[0]?.inverted && Math.abs(alignedSamples - ways[0].alignedSamples) < TOLERANCE.samples,
  );

/** The sound of a stereo track that loses most when its sides are added. */
function thinnest({ graph, field, session, rig }: WorkedScene, track: Track): Thin | undefined {
  const host = hostOf(rig.devices, session);
  if (host === undefined || track.width !== 2) return undefined;
  const ways = [1, 2].map((side) => {
    const lane = graph.laneIndex.get(laneIdOf(host.id, trackPort(track, 'fader'), side));
    return lane === undefined ? [] : arrivalsAt(field, lane);
  });
  const [left = [], right = []] = ways;
  const both = [...new Set(left.map(({ source }) => source))].filter((source) =>
    right.some((each) => each.source === source),
  );
  return both
    .flatMap((source): Thin[] => {
      const [l, r] = [left, right].map((side) => side.filter((each) => each.source === source)) as [
        Arrival[],
        Arrival[],
      ];
      return isAlike([...l, ...r]) ? [] : [{ source, ...monoSum([l, r], graph.sampleRateHz) }];
    })
    .sort((a, b) => b.lossDb - a.lossDb)[0];
}

/** Tracks that take in what thins already are not told once more. */
function isFirst({ session }: WorkedScene, track: Track, thin: ReadonlySet<string>): boolean {
  const { input } = track;
  if (input.from !== 'bus') return true;
  return !session.tracks.some(
    ({ id, outputs, sends }) =>
      thin.has(id) &&
      [...outputs, ...sends.map(({ destination }) => destination)].some(
        (to) => to.to === 'bus' && to.bus === input.bus,
      ),
  );
}

function run(context: WorkedScene): readonly Finding[] {
  const found = context.session.tracks.flatMap((track) => {
    const worst = track.muted ? undefined : thinnest(context, track);
    return worst === undefined || worst.lossDb < THIN_DB ? [] : [{ track, worst }];
  });
  const thin = new Set<string>(found.map(({ track }) => track.id));
  return found
    .filter(({ track }) => isFirst(context, track, thin))
    .map(({ track, worst: { source, lossDb, worstHz, worstLossDb } }) => ({
      rule: 'mono-sum-loss',
      at: [{ kind: 'track', id: track.id }, sourceRef(context, context.field.sources[source])],
      figures: { lossDb, worstHz, worstLossDb },
    }));
}

export const monoSumLoss: Rule = {
  id: 'mono-sum-loss',
  title: 'Thins when it is summed to mono',
  severity: 'warning',
  stage: 'mix',
  why: 'Two sides of one sound that differ in time or polarity cancel where somebody hears them as one: a telephone, a kitchen radio, a line of loudspeakers on a ceiling.',
  limits:
    'Looks at stereo tracks whose two sides carry one sound of the rig or of a track. What a plug-in or an effect does to a sound itself is not known; sides of unlike sounds lose 3 dB as they should.',
  run,
};
