import { hostOf } from '../../graph/dawTracks';
import { laneIdOf } from '../../rig/ids';
import type { PlannedThread, WorkedScene } from '../../scene/workedScene';
import { hostOutputsOf } from '../../session/daw/hostOutputs';
import type { Track } from '../../session/daw/trackSchema';
import type { Stem, Sum } from '../../session/sumSchema';
import type { SumInput } from './sumInputs';
import { sumInputs } from './sumInputs';

/** A stem with its track, the outputs of the host it goes to, and the lines that bring those to the sum. */
export interface StemStand {
  readonly stem: Stem;
  readonly track: Track;
  /** Numbers of the host; none where it goes to no output. */
  readonly outputs: readonly number[];
  /** Inputs it has, where the mixers have such. */
  readonly inputs: readonly SumInput[];
  readonly lines: readonly PlannedThread[];
}

/** The first run of host outputs of a track. */
export function firstHostOutputs(track: Track): readonly number[] {
  const [first] = track.outputs.filter(({ to }) => to === 'host');
  return first === undefined ? [] : hostOutputsOf(first, track.width);
}

/** Lines to a sum that start at some outputs of the host, in their order. */
export function linesFrom(context: WorkedScene, numbers: readonly number[]): readonly PlannedThread[] {
  const host = hostOf(context.rig.devices, context.session);
  if (host === undefined) return [];
  const from = numbers.map((number) => laneIdOf(host.id, 'output', number));
  return from.flatMap((lane) =>
    context.threads.filter(({ thread }) => thread.purpose === 'sum' && thread.from === lane),
  );
}

/** Every stem of a sum as it stands, in the order of the list. */
export function stemStands(context: WorkedScene, sum: Sum): readonly StemStand[] {
  const inputs = sumInputs(context, sum);
  return sum.stems.flatMap((stem): readonly StemStand[] => {
    const track = context.session.tracks.find(({ id }) => id === stem.track);
    if (track === undefined) return [];
    const outputs = firstHostOutputs(track);
    const own = (stem.inputs ?? []).flatMap((number) => inputs[number - 1] ?? []);
    return [{ stem, track, outputs, inputs: own, lines: linesFrom(context, outputs) }];
  });
}

/** Sums of the session that are used in a scene. */
export const sumsIn = ({ session, scene }: Pick<WorkedScene, 'session' | 'scene'>): readonly Sum[] =>
  session.sums.filter(({ scenes }) => scenes.includes(scene.id));
