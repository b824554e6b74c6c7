import type { SettingKey } from '../../rig/settings';
import type { Way } from '../solve/way';
import { knobResource } from '../solve/way';
import { NONE } from '../space/routingSpace';
import type { Inquiry } from './inquiry';
import type { Holder, Obstacle } from './obstacle';

/** Who holds what a way runs over: the stations held, or, where only copper is, the first lane of each holder. */
export function holdersOn({ board, ways }: Inquiry, way: Way): readonly Holder[] {
  const { graph } = board.space;
  const lanes = graph.lanes.length;
  const used = new Set([way.start, ...way.steps.flatMap(({ from, to }) => [from, to])]);
  const holders: Holder[] = [];
  const hold = (lane: number, thread: Holder['thread']): void => {
    const id = graph.lanes[lane]?.id;
    const station = graph.stations[graph.stationEndingAt[lane] ?? NONE]?.id;
    if (id !== undefined && thread !== undefined)
      holders.push({ lane: id, thread, ...(station && { station }) });
  };
  for (const [thread, other] of ways) {
    // Threads of one source share all but their ends.
    if (other.start === way.start) {
      if (other.end === way.end) hold(way.end, thread);
      continue;
    }
    for (const lane of other.resources) if (lane < lanes && used.has(lane)) hold(lane, thread);
  }
  const atStations = holders.filter(({ station }) => station !== undefined);
  const list = atStations.length > 0 ? atStations : holders;
  const key = ({ thread, station }: Holder): string => `${thread ?? ''} ${station ?? ''}`;
  return list.filter((holder, i) => list.findIndex((other) => key(other) === key(holder)) === i);
}

/** A switch that was set by hand and stands in a way. */
export function knobSet({ board }: Inquiry, way: Way): Extract<Obstacle, { code: 'knob-set' }> | undefined {
  const { space, table } = board;
  for (const step of way.steps) {
    const knob = step.kind === 'arc' ? (space.arcs.knob[step.arc] ?? NONE) : NONE;
    if (knob < 0 || step.kind !== 'arc') continue;
    const value = space.arcs.value[step.arc] ?? 0;
    const key: SettingKey | undefined = space.knobs[knob]?.key;
    const lane = space.graph.lanes[step.to]?.id;
    const isHeld = table.against(knobResource(space, knob), value) === Infinity;
    if (isHeld && key !== undefined && lane !== undefined) return { code: 'knob-set', key, lane };
  }
  return undefined;
}
