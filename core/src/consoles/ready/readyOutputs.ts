import { copperEnds } from '../../graph/copperEnds';
import type { WorkedScene } from '../../scene/workedScene';
import type { Desk, DeskRow } from '../desk';
import { laneAtOf } from '../desk';

/** What the mix is listened to on, and what players hear. */
const ROOM = new Set(['monitorController', 'powerAmp', 'loudspeaker', 'splitConsole']);

/** Line outputs for the two sides of the mix, and the others for monitors, in order. */
export interface ReadyOutputs {
  readonly mix: readonly DeskRow[];
  readonly others: readonly DeskRow[];
}

/** The mix goes out where loudspeakers hang on two outputs side by side; where none do, on the first two. */
export function readyOutputs(context: WorkedScene, desk: Desk): ReadyOutputs {
  const outputs = desk.rows.filter(({ section }) => section === 'outputs');
  const leadsToRoom = ({ row }: DeskRow): boolean =>
    (row.leaves ?? []).some((key) => {
      const lane = laneAtOf(context, desk.device, key);
      const fed = lane === undefined ? [] : copperEnds(context.graph, lane).to;
      return fed.some(({ device }) => ROOM.has(context.devices.get(device)?.type ?? ''));
    });
  const first = outputs.findIndex((row, i) => {
    const next = outputs[i + 1];
    return next !== undefined && leadsToRoom(row) && leadsToRoom(next);
  });
  const mix = outputs.slice(Math.max(first, 0), Math.max(first, 0) + 2);
  return { mix, others: outputs.filter((row) => !mix.includes(row)) };
}
