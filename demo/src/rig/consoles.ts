import type { DeviceInput } from './device';
import { device } from './device';

/** Consoles, summing, converters and the computer. */
export const CONSOLES: readonly DeviceInput[] = [
  device('Split console', 'batch', 'splitConsole', {
    ...{ channels: 36, groups: 8, auxes: 6, externals: 2 },
    groupInserts: true,
  }),
  device('Kiln desk', 'batch', 'digitalConsole', {
    channels: 32,
    fadersPerLayer: 16,
    micInputs: 0,
    lineOutputs: 8,
    cards: 2,
    cardBlocks: 'blocks of 8',
  }),
  // It has no word clock of its own: it follows the desk over its link.
  {
    ...device('Kiln stagebox', 'kiln', 'stagebox', { inputs: 24, outputs: 8 }),
    clock: { follows: 'madi-in-1' },
  },
  // It hangs on the second card of the desk, and follows its clock over that link.
  {
    ...device('Kiln recorder', 'batch', 'multitrackRecorder', { tracks: 64, computer: false }),
    clock: { follows: 'madi-in-1' },
  },
  device('16-way summing mixer', 'batch', 'summingMixer', { inputs: 16 }),
  device('24×24 converter', 'batch', 'converter', { adcs: 24, dacs: 24, initialReferenceDbu: 22 }),
  device('Cue interface', 'batch', 'audioInterface', {
    lineInputs: 0,
    lineOutputs: 8,
    connector: 'db25',
    opticalLinks: 1,
    hostStreams: 16,
    monitorMixes: 4,
    firstHostForLineOutputs: 9,
    initialReferenceDbu: 18,
  }),
  device('DAW', 'batch', 'dawHost', { inputs: 40, outputs: 40 }),
];
