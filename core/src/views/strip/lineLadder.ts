import type { Ladder } from '../../levels/ladder';
import { ladder } from '../../levels/ladder';
import { laneSum } from '../../levels/laneSum';
import type { SourceLevel } from '../../levels/sourceLevel';
import type { PlannedThread, WorkedScene } from '../../scene/workedScene';
import { isAnalogue } from '../../rig/medium';
import { SINE_CREST_DB } from '../../units/analogueLevel';

/** What everything that sounds at a lane makes together, as the level of a source; nothing where none is known. */
function soundingAt({ graph, field }: WorkedScene, lane: number): SourceLevel | undefined {
  const { nominal, peak, unknown } = laneSum(field, lane);
  const medium = graph.lanes[lane]?.medium;
  if (nominal === undefined || medium === undefined) return undefined;
  return {
    ...(isAnalogue(medium) ? { levelDbu: nominal } : { levelDbfs: nominal }),
    // Peaks of a part of the sources would pass for those of all.
    ...(peak !== undefined && unknown === 0 && { crestDb: peak - nominal + SINE_CREST_DB }),
  };
}

/**
 * The ladder of a line. One that starts where tracks, inserts or mixes come out carries what sounds there, unless its
 * own level is given: nobody types the level of an output of the host.
 */
export function lineLadder(
  context: WorkedScene,
  { start, path, thread, ladder: own }: PlannedThread,
): Ladder {
  if (own.rungs[0]?.nominal !== undefined) return own;
  const sounding = soundingAt(context, start);
  return sounding === undefined ? own : ladder(context.graph, start, path, { ...thread, ...sounding });
}
