import { idFromName } from '../rig/ids';
import { settingsOf } from '../rig/buildDevice';
import { deviceSchema } from '../rig/rigSchema';
import type { DeviceInput, StarterDevice, StarterLoom, StarterPlan } from './starter';

/** The id a device gets from its name; names in a starter room are all different. */
export const idOf = (name: string): string => idFromName(name, new Set(), 'device');

const made = (
  isAsked: boolean,
  name: string,
  room: string,
  type: string,
  params: DeviceInput['params'] = {},
  rack?: string,
): StarterDevice => ({
  device: { id: idOf(name), name, room, type, params, ...(rack !== undefined && { rack }) },
  isAsked,
});

type Made = (
  name: string,
  room: string,
  type: string,
  params?: DeviceInput['params'],
  rack?: string,
) => StarterDevice;

/** A device of which there are as many, or which is as large, as was asked. */
export const asked: Made = (...about) => made(true, ...about);

/** A device that such a room usually has. */
export const typical: Made = (...about) => made(false, ...about);

export const loom = (from: string, to: string, pairing?: StarterLoom['pairing']): StarterLoom => ({
  ...{ from, to },
  ...(pairing !== undefined && { pairing }),
});

/** "1" for one, "1-8" for more. */
export const run = (first: number, count: number): string =>
  count === 1 ? String(first) : `${String(first)}-${String(first + count - 1)}`;

/** Two loudspeakers with amplifiers of their own. */
export const speakers = (room: string): readonly StarterDevice[] =>
  ['left', 'right'].map((side) => typical(`Monitor ${side}`, room, 'loudspeaker', { distanceM: 1.2 }));

/** A monitor controller and two loudspeakers with amplifiers of their own. */
export const monitors = (room: string): readonly StarterDevice[] => [
  typical('Monitor controller', room, 'monitorController', { sources: 1, speakerSets: 1 }),
  ...speakers(room),
];

/** What is listened to, over the monitor controller. */
export const monitored = (left: string, right: string): readonly StarterLoom[] => [
  loom(left, 'Monitor controller source 1 left'),
  loom(right, 'Monitor controller source 1 right'),
  loom('Monitor controller speakers 1 left', 'Monitor left in'),
  loom('Monitor controller speakers 1 right', 'Monitor right in'),
];

/** Host and interface joined stream to stream. */
export const joined = (host: string, device: string, streams: number, first = 1): readonly StarterLoom[] => [
  loom(`${device} to host ${run(1, streams)}`, `${host} stream in ${run(first, streams)}`),
  loom(`${host} stream out ${run(first, streams)}`, `${device} from host ${run(1, streams)}`),
];

/** Patch cords for so many places on the bays. */
export const patchCords = (places: number): StarterPlan['cords'] => [
  { id: 'tt-short', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: 'ochre', count: places },
  {
    ...{ id: 'tt-long', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 1.2, colour: 'slate' },
    count: Math.ceil(places / 2),
  },
];

/** A device that follows a connector of its own for its clock: one master, and everything else behind it. */
export const following = ({ device, isAsked }: StarterDevice, connector: string): StarterDevice => ({
  device: { ...device, clock: { follows: connector } },
  isAsked,
});

/** The master of the clock. */
export const master = (made: StarterDevice): StarterDevice => following(made, 'internal');

/** Where a selector stands when it listens to what is called so. */
export function positionOf({ device }: StarterDevice, setting: string, name: string): number {
  const spec = settingsOf(deviceSchema.parse(device)).find((each) => each.setting === setting);
  const at = spec?.names?.findIndex((each) => each.startsWith(name)) ?? -1;
  const position = spec?.range?.positions?.[at];
  if (position === undefined) throw new Error(`${device.name} has no position “${name}” of ${setting}`);
  return position;
}
