import { converter } from './converter';
import { dawHost } from './dawHost';
import type { DeviceType } from './deviceType';
import { dynamics } from './dynamics';
import { microphone } from './microphone';
import { micPreamp } from './micPreamp';
import { patchbay } from './patchbay';
import { wallPanel } from './wallPanel';

/** Every kind of gear a rig can hold. A literal table: what is not listed does not exist. */
export const CATALOGUE: readonly DeviceType[] = [
  microphone,
  wallPanel,
  patchbay,
  micPreamp,
  dynamics,
  converter,
  dawHost,
];

const byType: ReadonlyMap<string, DeviceType> = new Map(CATALOGUE.map((entry) => [entry.type, entry]));

/** The catalogue entry of a type name, or undefined. */
export const deviceTypeNamed = (type: string): DeviceType | undefined => byType.get(type);
