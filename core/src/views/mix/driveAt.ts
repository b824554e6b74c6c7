import { laneSum } from '../../levels/laneSum';
import { maxLevel } from '../../levels/maxLevel';
import type { WorkedScene } from '../../scene/workedScene';
import { formatDb, formatLevel } from '../../units/format';

/** How hard something is driven, as written: RMS, and room over its peaks; empty where nobody knows. */
export interface Drive {
  readonly level: string;
  readonly room: string;
  readonly isOver: boolean;
}

/** How hard the hardest driven of some lanes is driven. */
export function driveAt({ graph, field }: WorkedScene, lanes: readonly number[]): Drive {
  const each = lanes.flatMap((lane) => {
    const { nominal, peak } = laneSum(field, lane);
    const at = graph.lanes[lane];
    const max = at && maxLevel(at);
    return nominal === undefined
      ? []
      : [{ nominal, room: peak === undefined || max === undefined ? undefined : max - peak }];
  });
  const [hardest] = [...each].sort((a, b) => b.nominal - a.nominal);
  if (hardest === undefined) return { level: '', room: '', isOver: false };
  const { nominal, room } = hardest;
  return {
    level: formatLevel(nominal, 'dBu'),
    room: room === undefined ? '' : formatDb(room),
    isOver: room !== undefined && room < 0,
  };
}
