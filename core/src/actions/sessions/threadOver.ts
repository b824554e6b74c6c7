import type { PinRole } from '../../rig/deviceModel';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { StationId } from '../../rig/ids';
import type { Thread } from '../../session/sessionSchema';
import { threadName } from '../../session/threadName';
import { threadBreaks } from '../../session/threadProblems';
import type { Crossed, Crossing, LeftOut } from './crossing';
import { crossed, leftOut, placeOver } from './crossing';

const fits = ({ index }: Crossing, thread: Thread): boolean => threadBreaks(thread, [], index).length === 0;

/** The ends of a line over here, with nothing on its way; undefined where one is not here. */
function endsOver(over: Crossing, thread: Thread): Crossed<Thread | undefined> {
  const lost = (missing: string): Crossed<undefined> => ({
    kept: undefined,
    left: [leftOut('line', threadName(thread), missing)],
  });
  const { to: end, ...rest } = thread;
  const from = crossed(over, thread.from);
  const started: Thread | undefined = from && { ...rest, from, inserts: [], pins: {} };
  if (started === undefined || !fits(over, started)) return lost(placeOver(over, thread.from));
  if (end === undefined) return { kept: started, left: [] };
  const to = crossed(over, end);
  const whole: Thread | undefined = to && { ...started, to };
  return whole !== undefined && fits(over, whole) ? { kept: whole, left: [] } : lost(placeOver(over, end));
}

/** A line over here with the inserts and pins that have a counterpart; undefined where it cannot be. */
export function threadOver(over: Crossing, thread: Thread): Crossed<Thread | undefined> {
  const { kept: bare, left } = endsOver(over, thread);
  if (bare === undefined) return { kept: bare, left };
  const missing: LeftOut[] = [];
  const take = (
    what: 'insert' | 'pin',
    id: StationId,
    probe: (at: StationId) => Thread,
  ): StationId | undefined => {
    const at = crossed(over, id);
    if (at !== undefined && fits(over, probe(at))) return at;
    missing.push(leftOut(what, threadName(thread), placeOver(over, id)));
    return undefined;
  };
  const inserts = thread.inserts.flatMap(
    (id) => take('insert', id, (at) => ({ ...bare, inserts: [at] })) ?? [],
  );
  const pins = STATION_ROLES.flatMap((role): readonly (readonly [PinRole, StationId])[] => {
    const id = thread.pins[role];
    const at = id && take('pin', id, (place) => ({ ...bare, pins: { [role]: place } }));
    return at === undefined ? [] : [[role, at]];
  });
  return { kept: { ...bare, inserts, pins: Object.fromEntries(pins) }, left: missing };
}
