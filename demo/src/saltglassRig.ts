import { rigSchema } from '@ft/core/rig/rigSchema';
import type { Hardwire, Rig } from '@ft/core/rig/rigSchema';
import { planLoom } from '@ft/core/typed/wiring/loom';
import { loomProblemSentence } from '@ft/core/words/loomWording';
import { wireIdOf } from '@ft/core/rig/wiring/wireId';
import { BAYS } from './rig/bays';
import { CONSOLES } from './rig/consoles';
import type { RigInput } from './rig/device';
import { ROOMS } from './rig/device';
import { LOOMS } from './rig/looms';
import { MICROPHONES } from './rig/microphones';
import { MONITORING } from './rig/monitoring';
import { OUTBOARD } from './rig/outboard';

const CORDS: RigInput['cords'] = [
  { id: 'tt-short', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: 'ochre', count: 32 },
  { id: 'tt-long', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 1.2, colour: 'slate', count: 16 },
  { id: 'mic-5', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: 'black', count: 20 },
  { id: 'mic-10', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 10, colour: 'black', count: 8 },
  {
    id: 'ts-short',
    name: 'Instrument lead',
    connectors: ['ts', 'ts'],
    lengthM: 0.3,
    colour: 'red',
    count: 12,
  },
];

/** Draws a loom on top of the wires that are there. */
function wired(rig: Rig, from: string, to: string): readonly Hardwire[] {
  const read = planLoom(rig, { from, to, pairing: 'one-to-one', down: false });
  if (!read.ok)
    throw new Error(`the demo does not hold together: ${from} → ${to}: ${loomProblemSentence(read.problem)}`);
  return read.plan.wires.map((wire) => ({ id: wireIdOf(wire.from, wire.to), from: wire.from, to: wire.to }));
}

/** The rooms, gear, wiring and cords of Saltglass Rooms, built from the catalogue and drawn as looms. */
export function saltglassRig(): Rig {
  const bare = rigSchema.parse({
    rooms: ROOMS,
    devices: [...MICROPHONES, ...OUTBOARD, ...CONSOLES, ...MONITORING, ...BAYS],
    hardwires: [],
    cords: CORDS,
  });
  return { ...bare, hardwires: LOOMS.flatMap(([from, to]) => wired(bare, from, to)) };
}
