import { lanesOf } from '@ft/core/rig/faces';
import type { Rig } from '@ft/core/rig/rigSchema';

/** Devices whose lanes are built at once, a few milliseconds of work. */
const AT_ONCE = 20;

/**
 * Builds the lanes of a large rig bit by bit, so that the first change to it does not build them all while
 * others wait. They are kept with the devices.
 */
export async function warmRig({ devices }: Rig): Promise<void> {
  for (let at = 0; at < devices.length; at += AT_ONCE) {
    for (const device of devices.slice(at, at + AT_ONCE)) lanesOf(device);
    await new Promise((resolve) => setImmediate(resolve));
  }
}
