import type { SearchLedger } from '../searchLedger';
import { NONE as NO_STATE } from '../searchLedger';
import type { RoutingSpace, Step } from '../space/routingSpace';
import type { CordStep } from './mateCords';
import type { StateShape } from './stateShape';

/** Reached by a cord of another way of the same source. */
export const MATE = -3;

/** What a finished search is read from. */
interface Trail {
  readonly space: RoutingSpace;
  readonly shape: StateShape;
  readonly ledger: SearchLedger;
  readonly mateCords: ReadonlyMap<number, CordStep>;
}

/** The steps that led to a state, from the source on. */
export function stepsBack({ ledger, shape, space, mateCords }: Trail, end: number): readonly Step[] {
  const { lanes, width } = shape;
  const steps: Step[] = [];
  for (let state = end; ledger.from(state) !== NO_STATE;) {
    const before = ledger.from(state);
    const to = state % width;
    const mate = ledger.by(state) === MATE ? mateCords.get(before % width) : undefined;
    if (mate !== undefined || before % width < lanes) {
      steps.push(mate ?? { kind: 'arc', arc: ledger.by(state), from: before % width, to });
      state = before;
      continue;
    }
    const hubState = ledger.from(before);
    const hub = space.hubs[(hubState % width) - lanes];
    const leadIndex = ledger.by(hubState);
    const lead = hub?.leads[leadIndex];
    if (lead === undefined) throw new Error('a cord comes from a hub');
    const jack = ledger.from(hubState);
    steps.push({ kind: 'cord', lead, cost: hub?.costs[leadIndex] ?? 0, from: jack % width, to });
    state = jack;
  }
  return steps.reverse();
}
