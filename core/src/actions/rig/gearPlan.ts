import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import { deviceTypeNamed } from '../../rig/catalogue/catalogue';
import type { RoomId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { Rig, Room } from '../../rig/rigSchema';
import { deviceSchema } from '../../rig/rigSchema';
import type { GearEntry, GearProblem } from '../../typed/gear/gearText';
import { readGear } from '../../typed/gear/gearText';
import type { WirePair } from '../../typed/wiring/wirePlan';
import { planWires } from '../../typed/wiring/wirePlan';
import type { Added, Rigging } from './addDevices';
import { addedDevices } from './addDevices';
import { hostStreams } from './hostStreams';
import { usualHookEdits } from './usualHook';
import { replacedBy, wiresOn } from './wiresOn';

/** What an entry of a typed list becomes. */
export interface GearLine {
  readonly line: number;
  readonly text: string;
  readonly names: readonly string[];
  readonly kind: string;
  readonly room: string;
  readonly rack?: string;
  /** What it is wired to for good, in words; empty where to nothing. */
  readonly wired: string;
  /** How many wires that end there now make way for it. */
  readonly replaced: number;
}

/** A typed list of gear, worked out: everything that would be made, or everything that is not understood. */
export type GearPlan =
  | {
      readonly ok: true;
      readonly lines: readonly GearLine[];
      readonly devices: number;
      /** Wires between hosts and interfaces that are joined by being in one room. */
      readonly streams: number;
      /** Kinds of cords that are hung up with it. */
      readonly cords: number;
      readonly edits: readonly Edit[];
    }
  | { readonly ok: false; readonly problems: readonly GearProblem[] };

/** What has been put in so far. */
interface State extends Rigging {
  readonly rig: Rig;
  readonly edits: readonly Edit[];
}

interface Step {
  readonly state: State;
  readonly line?: GearLine;
  readonly problem?: string;
}

function roomFor(state: State, name: string | undefined, otherwise: RoomId): { state: State; room: Room } {
  const { rig, edits } = state;
  const there = rig.rooms.find((room) =>
    name === undefined ? room.id === otherwise : room.name.toLowerCase() === name.toLowerCase(),
  );
  if (there !== undefined) return { state, room: there };
  const called = name ?? 'Room';
  const id = idFromName(called, new Set(rig.rooms.map((room) => room.id)), 'room') as RoomId;
  const room: Room = { id, name: called };
  return {
    state: {
      ...state,
      rig: { ...rig, rooms: [...rig.rooms, room] },
      edits: [...edits, editAdd('room', {}, room)],
    },
    room,
  };
}

/** Wires drawn into a rig: the edits, and the rig with them. */
function wired(state: State, pairs: readonly WirePair[]): State {
  const plan = planWires(state.rig.hardwires, pairs);
  const removed = new Set(
    plan.edits.filter(({ type }) => type === 'hardwire.remove').map((edit) => edit['id']),
  );
  const added = plan.edits.flatMap((edit) =>
    edit.type === 'hardwire.add' ? [edit['item'] as Rig['hardwires'][number]] : [],
  );
  const hardwires = [...state.rig.hardwires.filter(({ id }) => !removed.has(id)), ...added];
  return { ...state, rig: { ...state.rig, hardwires }, edits: [...state.edits, ...plan.edits] };
}

function withDevices(state: State, { devices, edits, ...names }: Added): State {
  return {
    ...{ ...state, ...names },
    rig: { ...state.rig, devices: [...state.rig.devices, ...devices] },
    edits: [...state.edits, ...edits],
  };
}

function misfit(entry: GearEntry, room: RoomId): string | undefined {
  const { name, type, params } = entry;
  const parsed = deviceSchema.safeParse({ id: 'probe', name, room, type, params });
  return parsed.error?.issues[0]?.message;
}

function step(before: State, entry: GearEntry, otherwise: RoomId): Step {
  const { state, room } = roomFor(before, entry.room, otherwise);
  const because = misfit(entry, room.id);
  if (because !== undefined) return { state: before, problem: `“${entry.text}” does not fit: ${because}.` };
  const { name, type, params, rack, count, on } = entry;
  const wanted = { name, type, params, room: room.id, ...(rack !== undefined && { rack }) };
  const added = addedDevices(state, wanted, count);
  let now = withDevices(state, added);
  const line: GearLine = {
    ...{ line: entry.line, text: entry.text, names: added.devices.map((device) => device.name) },
    ...{ kind: deviceTypeNamed(type)?.title ?? type, room: room.name, wired: '', replaced: 0 },
    ...(rack !== undefined && { rack }),
  };
  if (on === undefined) return { state: now, line };
  const [unit] = added.devices;
  if (count > 1 || unit === undefined)
    return { state: before, problem: `“${entry.text}”: say of each one by itself what it is wired to.` };
  const pairs = wiresOn(now.rig, unit, on);
  if (typeof pairs === 'string') return { state: before, problem: pairs };
  const replaced = replacedBy(now.rig, pairs);
  now = wired(now, pairs);
  return { state: now, line: { ...line, wired: `${on.device} ${on.numbers}`, replaced } };
}

/**
 * Works out a typed list of gear, without making it.
 * @param room where devices stand that are given no other.
 * @param withCords whether the usual cords for what is then there are hung up as well.
 */
export function gearPlan(rig: Rig, text: string, room: RoomId, withCords = false): GearPlan {
  const { entries, problems: unread } = readGear(text);
  const problems: GearProblem[] = [...unread];
  const lines: GearLine[] = [];
  let state: State = {
    ...{ rig, edits: [] },
    takenIds: new Set(rig.devices.map(({ id }) => id)),
    takenNames: new Set(rig.devices.map(({ name }) => name.toLowerCase())),
  };
  for (const entry of entries) {
    const { state: next, line, problem } = step(state, entry, room);
    state = next;
    if (line !== undefined) lines.push(line);
    if (problem !== undefined) problems.push({ line: entry.line, text: entry.text, sentence: problem });
  }
  if (problems.length > 0) return { ok: false, problems: problems.sort((a, b) => a.line - b.line) };
  const known = new Set<string>(rig.devices.map(({ id }) => id));
  const fresh = new Set(state.rig.devices.map(({ id }) => id).filter((id) => !known.has(id)));
  const streams = hostStreams(state.rig, fresh);
  const cords = withCords ? usualHookEdits(state.rig) : [];
  return {
    ok: true,
    lines,
    ...{ devices: fresh.size, streams: streams.length, cords: cords.length },
    edits: [...wired(state, streams).edits, ...cords],
  };
}

/** The whole list as sentences: which line, what is wrong, what would be meant. */
export const gearProblemLine = ({ line, text, sentence }: GearProblem): string =>
  `Line ${String(line)}, “${text}”: ${sentence}`;
