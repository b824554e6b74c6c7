import { laneAtOf } from '../desk';
import type { LaneId } from '../../rig/ids';
import type { InsertJacks } from '../../rig/sheets/channelSheet';
import type { WorkedScene } from '../../scene/workedScene';
import type { Thread } from '../../session/sessionSchema';
import type { DeskPoint } from './deskOfSum';

/** One side of an insert point: where it leaves the console and where it comes back. */
export interface InsertSide {
  readonly from: LaneId;
  readonly to: LaneId;
}

/** The insert points of some rows side by side; a stereo bus on one row has two. */
export function insertSides(context: WorkedScene, points: readonly DeskPoint[]): readonly InsertSide[] {
  const side = ({ desk }: DeskPoint, jacks: InsertJacks | undefined): readonly InsertSide[] => {
    const [send, back] = [jacks?.send, jacks?.back].map((key) => key && laneAtOf(context, desk.device, key));
    const [from, to] = [context.graph.lanes[send ?? -1]?.id, context.graph.lanes[back ?? -1]?.id];
    return from === undefined || to === undefined ? [] : [{ from, to }];
  };
  return points.flatMap((point) => [
    ...side(point, point.row.insert?.jacks),
    ...side(point, point.row.row.insertRight),
  ]);
}

/** Lines of the scene that serve some insert points, in their order. */
export const insertLines = ({ threads }: WorkedScene, sides: readonly InsertSide[]): readonly Thread[] =>
  sides.flatMap(({ from, to }) =>
    threads.flatMap(({ thread }) => (thread.from === from && thread.to === to ? [thread] : [])),
  );
