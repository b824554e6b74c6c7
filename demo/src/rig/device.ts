import type { z } from 'zod';
import { idFromName } from '@ft/core/rig/ids';
import type { rigSchema } from '@ft/core/rig/rigSchema';

export type RigInput = z.input<typeof rigSchema>;
export type DeviceInput = RigInput['devices'][number];

/** The rooms of the former glassworks. */
export const ROOMS: RigInput['rooms'] = [
  { id: 'kiln', name: 'Kiln' },
  { id: 'booth', name: 'Annealing booth' },
  { id: 'batch', name: 'Batch room' },
];

type Room = 'kiln' | 'booth' | 'batch';

/** A device of the catalogue; its id follows from its name, as it would on the screen. */
export const device = (
  name: string,
  room: Room,
  type: string,
  params: Record<string, unknown> = {},
): DeviceInput => ({ id: idFromName(name, new Set(), 'device'), name, room, type, params });

/** Puts devices into a rack of their room. */
export const inRack = (rack: string, devices: readonly DeviceInput[]): readonly DeviceInput[] =>
  devices.map((each) => ({ ...each, rack }));

/** What bay labels say over a run of columns: "Kiln 1", "Kiln 2" and on. */
export const labels = (
  row: 'upper' | 'lower',
  first: number,
  count: number,
  text: (n: number) => string,
): Record<string, string> =>
  Object.fromEntries(Array.from({ length: count }, (_, i) => [`${row}-${String(first + i)}`, text(i + 1)]));
