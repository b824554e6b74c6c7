import type { DeviceId, LaneId, StationId } from '../../rig/ids';
import { deviceIdIn } from '../../rig/ids';
import type { Adaptor, CordStock, Rig } from '../../rig/rigSchema';
import type { RigIndex } from '../../session/rigIndex';
import { indexRig } from '../../session/rigIndex';
import type { Counterpart } from './counterparts';

/** What of a session has no counterpart in another rig, and is left out when it is taken over. */
export interface LeftOut {
  readonly what:
    | 'line'
    | 'insert'
    | 'pin'
    | 'cords'
    | 'knobs'
    | 'host'
    | 'automation'
    | 'readings'
    | 'console-view'
    | 'waivers'
    | 'headphones'
    | 'cue'
    | 'cue-headphones'
    | 'playback-check'
    | 'job'
    | 'sum';
  /** The line, scene or performer it is left out of; empty where it is the session itself. */
  readonly of: string;
  /** The device, place or cord of the other rig. */
  readonly missing: string;
  readonly count: number;
}

/** One thing that is left out. */
export const leftOut = (what: LeftOut['what'], of: string, missing: string): LeftOut => ({
  ...{ what, of, missing },
  count: 1,
});

/** What could be taken over of something, and what could not. */
export interface Crossed<T> {
  readonly kept: T;
  readonly left: readonly LeftOut[];
}

/** The way from one rig to another. */
export interface Crossing {
  readonly to: ReadonlyMap<DeviceId, DeviceId>;
  readonly index: RigIndex;
  readonly stockFor: (id: string) => CordStock | undefined;
  readonly adaptorFor: (id: string) => Adaptor | undefined;
  /** A device over there by name. */
  readonly name: (id: DeviceId) => string;
  /** A kind of cord over there by name. */
  readonly stockName: (id: string) => string;
}

type Kind = Pick<CordStock, 'name' | 'connectors'> & { readonly id: string };

/** A cord is as good as another of its name and plugs. */
const sameKind =
  <K extends Kind>(theirs: readonly K[], ours: readonly K[]) =>
  (id: string): K | undefined => {
    const kind = theirs.find((each) => each.id === id);
    const alike = ours.filter(
      ({ name, connectors }) => name === kind?.name && connectors.join() === kind.connectors.join(),
    );
    return alike.find((each) => each.id === id) ?? alike[0];
  };

export function crossingBetween(theirs: Rig, ours: Rig, all: readonly Counterpart[]): Crossing {
  const names = new Map(theirs.devices.map(({ id, name }) => [id, name]));
  return {
    to: new Map(all.flatMap((each) => (each.ours ? [[each.theirs.id, each.ours.id]] : []))),
    index: indexRig(ours),
    stockFor: sameKind(theirs.cords, ours.cords),
    adaptorFor: sameKind(theirs.adaptors, ours.adaptors),
    name: (id) => names.get(id) ?? id,
    stockName: (id) => theirs.cords.find((stock) => stock.id === id)?.name ?? id,
  };
}

/** A place over there as it is called here; undefined where its device has no counterpart. */
export function crossed<I extends LaneId | StationId>({ to }: Crossing, id: I): I | undefined {
  const device = to.get(deviceIdIn(id));
  return device && (`${device}${id.slice(id.indexOf('/'))}` as I);
}

/** A place over there for a reader: the device, and which of its places where the device itself is here. */
export function placeOver({ to, name }: Crossing, id: LaneId | StationId): string {
  const device = deviceIdIn(id);
  return to.has(device) ? `${name(device)} ${id.split('/').slice(1).join(' ')}` : name(device);
}

/** What is the same is told once, with how many there are. */
export function counted(what: 'cords' | 'knobs', of: string, missing: readonly string[]): readonly LeftOut[] {
  const counts = new Map<string, number>();
  for (const name of missing) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, count]) => ({ what, of, missing: name, count }));
}
