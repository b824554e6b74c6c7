import type { DeviceId, LaneId, StationId } from '../../rig/ids';
import { deviceIdIn } from '../../rig/ids';
import type { Device, Rig } from '../../rig/rigSchema';
import type { SettingKey } from '../../rig/settings';
import { partsOfSettingKey } from '../../rig/settings';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { Cue } from '../../session/cueSchema';
import type { Scene, Session, Thread } from '../../session/sessionSchema';

/** A device that a session of another rig uses, and the one here that stands for it. */
export interface Counterpart {
  readonly theirs: Device;
  readonly ours?: Device;
  /** `same-name` is of one name and one kind; `chosen` by a person; `none` is left out with what it holds. */
  readonly how: 'same-name' | 'chosen' | 'none';
  /** Devices here of the same kind, which a person may choose. */
  readonly candidates: readonly Device[];
}

/** What a person said should stand for a device: one here, or none. */
export type ChosenCounterparts = Readonly<Record<string, DeviceId | null>>;

const lanesOf = ({
  from,
  to,
}: {
  readonly from: LaneId;
  readonly to?: LaneId | undefined;
}): readonly LaneId[] => (to === undefined ? [from] : [from, to]);

function placesIn(thread: Thread): readonly (LaneId | StationId)[] {
  const pins = STATION_ROLES.flatMap((role) => thread.pins[role] ?? []);
  return [...lanesOf(thread), ...thread.inserts, ...pins];
}

const devicesIn = (scene: Scene): readonly DeviceId[] => [
  ...scene.cords.flatMap(lanesOf).map(deviceIdIn),
  ...(Object.keys(scene.settings) as SettingKey[]).map((key) => partsOfSettingKey(key).deviceId),
];

const devicesOfCue = ({ carrier, headphones }: Cue): readonly DeviceId[] => [
  ...(carrier.on === 'console' ? [carrier.device] : []),
  ...headphones.flatMap(({ id, microphone }) => (microphone === undefined ? [id] : [id, microphone])),
];

/** Every device a session names, once. */
export function devicesUsed(session: Session): ReadonlySet<DeviceId> {
  const { host, automatedConsole, performers, cues, readings, consoleViews, threads, scenes } = session;
  const { playbackChecks, jobs, sums } = session;
  return new Set([
    ...threads.flatMap(placesIn).map(deviceIdIn),
    ...scenes.flatMap(devicesIn),
    ...readings.map(({ id }) => deviceIdIn(id)),
    ...consoleViews.map(({ device }) => device),
    ...cues.flatMap(devicesOfCue),
    ...sums.flatMap(({ mixers }) => mixers),
    ...jobs.flatMap(({ chain }) => chain.flat().map(deviceIdIn)),
    ...playbackChecks.flatMap((check) => [check.console, check.recorder]),
    ...performers.flatMap(({ headphones }) => headphones ?? []),
    ...[host, automatedConsole].flatMap((id) => id ?? []),
  ]);
}

const sameName = (a: Device, b: Device): boolean =>
  a.type === b.type && a.name.toLowerCase() === b.name.toLowerCase();

/**
 * What here stands for each device a session of another rig uses, in the order of its rig. Only a device of the
 * same name and kind does by itself; anything else a person has to say.
 */
export function counterparts(
  session: Session,
  theirs: Rig,
  ours: Rig,
  chosen: ChosenCounterparts = {},
): readonly Counterpart[] {
  const used = devicesUsed(session);
  return theirs.devices
    .filter(({ id }) => used.has(id))
    .map((device): Counterpart => {
      const candidates = ours.devices.filter(({ type }) => type === device.type);
      const said = chosen[device.id];
      const named = candidates.find((candidate) => sameName(candidate, device));
      const picked = candidates.find(({ id }) => id === said);
      if (picked !== undefined && picked !== named)
        return { theirs: device, ours: picked, how: 'chosen', candidates };
      return said === null || named === undefined
        ? { theirs: device, how: 'none', candidates }
        : { theirs: device, ours: named, how: 'same-name', candidates };
    });
}

/** A device here that two of theirs would stand for: its jacks would be taken twice. */
export function standsTwice(all: readonly Counterpart[]): Device | undefined {
  const seen = new Set<DeviceId>();
  return all.find(({ ours }) => {
    if (ours === undefined) return false;
    const isTwice = seen.has(ours.id);
    seen.add(ours.id);
    return isTwice;
  })?.ours;
}
