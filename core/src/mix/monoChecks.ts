import { hostOf, trackPort } from '../graph/dawTracks';
import type { Arrival } from '../levels/arrival';
import { arrivalsAt } from '../levels/laneSum';
import { laneIdOf } from '../rig/ids';
import type { WorkedScene } from '../scene/workedScene';
import type { Track } from '../session/daw/trackSchema';
import { TOLERANCE } from '../units/tolerance';
import type { MonoSum, Sides } from './monoSum';
import { monoSum } from './monoSum';

/** A stereo track whose sides carry one sound that differs between them, and what its mono sum loses. */
export interface MonoCheck extends MonoSum {
  readonly track: Track;
  /** The sound that loses most, by its place among the sources of the field. */
  readonly source: number;
  readonly sides: Sides;
}

/** Ways that come at one time and one way up add as they should: a mono sound between two sides, above all. */
const isAlike = (ways: readonly Arrival[]): boolean =>
  ways.every(
    ({ alignedSamples, inverted }) =>
      inverted === ways[0]?.inverted && Math.abs(alignedSamples - ways[0].alignedSamples) < TOLERANCE.samples,
  );

/** The sound of a stereo track that loses most when its sides are added. */
function thinnest({ graph, field, session, rig }: WorkedScene, track: Track): MonoCheck | undefined {
  const host = hostOf(rig.devices, session);
  if (host === undefined || track.width !== 2) return undefined;
  const at = (side: number): readonly Arrival[] => {
    const lane = graph.laneIndex.get(laneIdOf(host.id, trackPort(track, 'fader'), side));
    return lane === undefined ? [] : arrivalsAt(field, lane);
  };
  const [left, right] = [at(1), at(2)];
  const both = [...new Set(left.map(({ source }) => source))].filter((source) =>
    right.some((each) => each.source === source),
  );
  const checks = both.flatMap((source): MonoCheck[] => {
    const own = (ways: readonly Arrival[]): readonly Arrival[] =>
      ways.filter((each) => each.source === source);
    const sides: Sides = [own(left), own(right)];
    return isAlike(sides.flat()) ? [] : [{ track, source, sides, ...monoSum(sides, graph.sampleRateHz) }];
  });
  return checks.sort((a, b) => b.lossDb - a.lossDb)[0];
}

/** Every stereo track that sounds and carries one sound unlike on its sides, with its worst sound. */
export const monoChecks = (context: WorkedScene): readonly MonoCheck[] =>
  context.session.tracks.flatMap((track) => (track.muted ? [] : (thinnest(context, track) ?? [])));
