import type { Rig, Room } from './rigSchema';

/** What somebody sits at who patches: where this stands is the control room. */
const SEAT: ReadonlySet<string> = new Set(['dawHost', 'splitConsole', 'digitalConsole', 'monitorController']);

/**
 * The rooms in the order in which somebody walks through them: as it was said, else from the control room, the one
 * with most of what one sits at, to the others as they are listed.
 */
export function roomsInOrder({ rooms, devices }: Pick<Rig, 'rooms' | 'devices'>): readonly Room[] {
  const seats = (id: Room['id']): number =>
    devices.filter(({ room, type }) => room === id && SEAT.has(type)).length;
  const most = Math.max(0, ...rooms.map(({ id }) => seats(id)));
  const control = most === 0 ? undefined : rooms.find(({ id }) => seats(id) === most);
  const rank = (room: Room): number => room.position ?? (room === control ? 10_000 : 10_001);
  return [...rooms].sort((a, b) => rank(a) - rank(b));
}
