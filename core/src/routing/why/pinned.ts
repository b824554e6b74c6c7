import type { PinRole } from '../../rig/deviceModel';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { StationId, ThreadId } from '../../rig/ids';
import type { Thread } from '../../session/sessionSchema';
import type { Board } from '../solve/board';
import type { Demand, Goal } from '../solve/demand';
import { waypointsOf } from '../waypoints';

/** A pin somebody set. */
export interface PinRef {
  readonly thread: ThreadId;
  readonly role: PinRole;
  readonly station: StationId;
}

/** The pins of a thread, in the order in which it passes them. */
export const pinsOf = ({ id, pins }: Thread): readonly PinRef[] =>
  STATION_ROLES.flatMap((role) => {
    const station = pins[role];
    return station === undefined ? [] : [{ thread: id, role, station }];
  });

/** What a thread would ask for without one of its pins. */
export function demandWithoutPin(
  { board, demand }: { readonly board: Board; readonly demand: Demand },
  thread: Thread,
  role: PinRole,
): Demand {
  const { [role]: _gone, ...pins } = thread.pins;
  const goals = waypointsOf(board.space.graph, { ...thread, pins }).map(({ lanes }): Goal => ({ lanes }));
  return { ...demand, goals };
}
