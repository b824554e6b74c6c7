import { monoChecks } from '../../mix/monoChecks';
import type { MonoPoint } from '../../mix/monoSum';
import { monoCurve } from '../../mix/monoSum';
import type { TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { formatDb, formatFrequency } from '../../units/format';
import { sourceName } from '../../words/sourceNames';

/** What becomes of a stereo track in mono. */
export interface MonoCheckView {
  readonly track: TrackId;
  readonly name: string;
  /** One sentence of what is lost, and where most. */
  readonly says: string;
  readonly curve: readonly MonoPoint[];
}

/** Beyond this nothing is left to speak of. */
const SILENT_DB = 60;

const lossText = (db: number): string => (db > SILENT_DB ? 'everything' : formatDb(db));

/** Stereo tracks that carry one sound on both sides, unlike: what their mono sum loses, the worst first. */
export const monoCheckView = (context: WorkedScene): readonly MonoCheckView[] =>
  [...monoChecks(context)]
    .sort((a, b) => b.lossDb - a.lossDb)
    .map(({ track, source, sides, lossDb, worstHz, worstLossDb }) => {
      const lane = context.field.sources[source]?.lane;
      const sound = lane === undefined ? undefined : sourceName(context.graph, lane);
      const most =
        worstLossDb > SILENT_DB ? '' : `, most at ${formatFrequency(worstHz)}: ${formatDb(worstLossDb)}`;
      return {
        ...{ track: track.id, name: track.name },
        says: `${sound === undefined ? 'It' : `${sound} in it`} loses ${lossText(lossDb)} on average when both sides are added${most}.`,
        curve: monoCurve(sides, context.graph.sampleRateHz),
      };
    });
