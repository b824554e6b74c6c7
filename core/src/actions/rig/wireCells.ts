import type { Lane } from '../../graph/signalGraph';
import type { HardwireId } from '../../rig/ids';
import type { Hardwire } from '../../rig/rigSchema';
import type { WorkedScene } from '../../scene/workedScene';
import type { WirePair } from '../../typed/wiring/wirePlan';
import { planWires } from '../../typed/wiring/wirePlan';
import type { CellsEdits } from '../cellsEdits';

/** A text for one end of a wire. */
export interface WireCell {
  readonly wire: HardwireId;
  readonly end: 'from' | 'to';
  readonly text: string;
}

const WHAT = { from: 'output', to: 'input' } as const;

/**
 * Moves ends of wires to the rear connectors whose names were typed, all of them as one change. A wire that is at an
 * input already makes room, as when a loom is drawn.
 */
export function wireCellsEdits({ rig, graph }: WorkedScene, cells: readonly WireCell[]): CellsEdits {
  const rear = graph.lanes.filter(({ face }) => face === 'rear');
  const byName = (text: string, end: WireCell['end']): Lane | undefined => {
    const typed = text.trim().toLowerCase();
    const direction = end === 'from' ? 'out' : 'in';
    return rear.find((lane) => lane.direction === direction && lane.name.toLowerCase() === typed);
  };
  const refused: { at: number; sentence: string }[] = [];
  const moved = new Map<HardwireId, { readonly was: Hardwire; readonly to: WirePair }>();
  cells.forEach(({ wire: id, end, text }, at) => {
    const was = rig.hardwires.find((each) => each.id === id);
    const lane = byName(text, end);
    if (was === undefined) return;
    if (lane === undefined)
      refused.push({ at, sentence: `There is no ${WHAT[end]} “${text.trim()}” at the rear of the rig.` });
    else moved.set(id, { was, to: { ...(moved.get(id)?.to ?? was), [end]: lane.id } });
  });
  const wanted = [...moved.values()];
  const pairs = wanted.map(({ to: { from, to } }) => ({ from, to }));
  return {
    edits: planWires(
      rig.hardwires,
      pairs,
      wanted.map(({ was }) => was),
    ).edits,
    refused,
  };
}
