import { cablesBetween } from './digitalCables';
import type { DigitalCable } from './digitalCables';
import type { SignalGraph } from '../graph/signalGraph';
import type { DeviceId, LaneId } from '../rig/ids';
import type { Device, Rig } from '../rig/rigSchema';
import type { Session } from '../session/sessionSchema';

/** Where the clock of a device comes from. */
export type ClockSource =
  | { readonly kind: 'internal' }
  /** Another device, over a connector of its own. */
  | { readonly kind: 'follows'; readonly device: DeviceId; readonly over: LaneId }
  /** A connector that nothing with a clock leads to. */
  | { readonly kind: 'nothing'; readonly over: string }
  /** It has digital inputs and nobody said which it follows. */
  | { readonly kind: 'unsaid' };

export interface ClockedDevice {
  readonly device: DeviceId;
  readonly source: ClockSource;
  /** Whether a person said so; else it follows from the connections. */
  readonly said: boolean;
  /** The device whose clock it runs on in the end; undefined where that is not known. */
  readonly master?: DeviceId;
  readonly rateHz?: number;
}

/** Devices that digital or clock cables join: they have to run on one clock. */
export interface ClockDomain {
  readonly devices: readonly ClockedDevice[];
  readonly masters: readonly DeviceId[];
}

export interface ClockPlan {
  readonly domains: readonly ClockDomain[];
  readonly cables: readonly DigitalCable[];
}

const keyOf = (lane: LaneId): string => lane.split('/')[1] ?? '';

/** What a device takes its clock from: as said, else as its connections suggest. */
function sourceOf(
  device: Device,
  incoming: readonly DigitalCable[],
  outgoing: readonly DigitalCable[],
): ClockSource {
  const follow = (cable: DigitalCable): ClockSource => ({
    kind: 'follows',
    device: cable.from.device,
    over: cable.to.lane,
  });
  const said = device.clock?.follows;
  if (said === 'internal') return { kind: 'internal' };
  if (said !== undefined) {
    const cable = incoming.find(({ to }) => keyOf(to.lane) === said);
    return cable === undefined ? { kind: 'nothing', over: said } : follow(cable);
  }
  const wordClock = incoming.find(({ medium }) => medium === 'clock');
  if (wordClock !== undefined) return follow(wordClock);
  // A host runs on whatever its driver talks to; of two units on it, the one with its first inputs leads.
  if (device.type === 'dawHost') {
    const [cable] = [...incoming].sort((a, b) => a.to.index - b.to.index);
    if (cable !== undefined) return follow(cable);
    const other = outgoing[0];
    if (other !== undefined) return { kind: 'follows', device: other.to.device, over: other.from.lane };
  }
  return incoming.some(({ isHost }) => !isHost) ? { kind: 'unsaid' } : { kind: 'internal' };
}

/** The device at the end of who follows whom; undefined where it ends nowhere or in a circle. */
function masterOf(sources: ReadonlyMap<DeviceId, ClockSource>, device: DeviceId): DeviceId | undefined {
  const seen = new Set<DeviceId>();
  for (let at = device; !seen.has(at);) {
    seen.add(at);
    const source = sources.get(at);
    if (source?.kind === 'internal') return at;
    if (source?.kind !== 'follows') return undefined;
    at = source.device;
  }
  return undefined;
}

/** Devices in groups that cables join. */
function groupsOf(
  ids: readonly DeviceId[],
  cables: readonly DigitalCable[],
): readonly (readonly DeviceId[])[] {
  const group = new Map(ids.map((id) => [id, id]));
  const root = (id: DeviceId): DeviceId => {
    const up = group.get(id) ?? id;
    return up === id ? id : root(up);
  };
  for (const { from, to } of cables) group.set(root(from.device), root(to.device));
  const members = new Map<DeviceId, DeviceId[]>();
  for (const id of ids) members.set(root(id), [...(members.get(root(id)) ?? []), id]);
  return [...members.values()];
}

/**
 * Who follows whose clock: the devices that digital and clock cables join, in domains, each with its
 * masters. One clock a domain: common practice, no source.
 */
// eslint-disable-next-line max-lines-per-function -- domains, masters and rates come of one another
export function clockPlan(rig: Rig, session: Session, graph: SignalGraph): ClockPlan {
  const cables = cablesBetween(graph);
  const joined = new Set(cables.flatMap(({ from, to }) => [from.device, to.device]));
  const devices = rig.devices.filter(({ id }) => joined.has(id));
  const sources = new Map(
    devices.map((device): [DeviceId, ClockSource] => [
      device.id,
      sourceOf(
        device,
        cables.filter(({ to }) => to.device === device.id),
        cables.filter(({ from }) => from.device === device.id),
      ),
    ]),
  );
  const byId = new Map(devices.map((device) => [device.id, device]));
  const clocked = (id: DeviceId): ClockedDevice => {
    const master = masterOf(sources, id);
    const rateHz = master && (byId.get(master)?.clock?.rateHz ?? session.sampleRateHz);
    return {
      device: id,
      source: sources.get(id) ?? { kind: 'unsaid' },
      said: byId.get(id)?.clock !== undefined,
      ...(master !== undefined && { master }),
      ...(rateHz !== undefined && { rateHz }),
    };
  };
  const groups = groupsOf(
    devices.map(({ id }) => id),
    cables,
  );
  const domains = groups.map((ids) => ({
    devices: ids.map(clocked),
    masters: ids.filter((id) => sources.get(id)?.kind === 'internal'),
  }));
  return { domains, cables };
}
