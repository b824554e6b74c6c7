import type { WorkedScene } from '../../scene/workedScene';
import type { LaneId } from '../../rig/ids';

/** A place that does not work, as a reader calls it. */
export interface FaultLine {
  readonly lane: LaneId;
  readonly name: string;
  readonly note: string;
}

/** The faulty places of the rig, in the order of its lanes. */
export const faultLines = ({ rig, graph }: WorkedScene): readonly FaultLine[] =>
  [...rig.faults]
    .sort((a, b) => (graph.laneIndex.get(a.id) ?? -1) - (graph.laneIndex.get(b.id) ?? -1))
    .map(({ id, note }) => ({
      lane: id,
      name: graph.lanes[graph.laneIndex.get(id) ?? -1]?.name ?? id,
      note,
    }));
