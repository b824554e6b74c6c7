import type { DeviceInput } from './device';
import { device, inRack } from './device';

/** Fourteen line-level units in the Batch room; two of them have key inputs. */
const UNITS = inRack('Outboard rack', [
  device('Opto compressor', 'batch', 'dynamics', { channels: 1 }),
  device('Transistor compressor A', 'batch', 'dynamics', { channels: 1, outputOhm: 600 }),
  device('Transistor compressor B', 'batch', 'dynamics', { channels: 1, outputOhm: 600 }),
  device('Bus compressor', 'batch', 'dynamics', { channels: 2, keyInput: true }),
  device('Ducker', 'batch', 'dynamics', { channels: 2, keyInput: true }),
  device('Valve equaliser', 'batch', 'equaliser', { channels: 2, outputNoiseDbu: -78 }),
  device('Passive equaliser', 'batch', 'equaliser', { channels: 2 }),
  device('Four-band equaliser', 'batch', 'equaliser', { channels: 4 }),
  device('De-esser', 'batch', 'dynamics', { channels: 2 }),
  device('Long plate', 'batch', 'effectUnit', { inputs: 'mono', latencyMs: 0 }),
  device('Spring tank', 'batch', 'effectUnit', { inputs: 'mono', latencyMs: 0, outputNoiseDbu: -72 }),
  device('Hall reverb', 'batch', 'effectUnit', { latencyMs: 2.8 }),
  device('Tape delay', 'batch', 'effectUnit', { inputs: 'mono', latencyMs: 0, outputNoiseDbu: -65 }),
  device('Pitch doubler', 'batch', 'effectUnit', { latencyMs: 4.1 }),
]);

/** Four pedals on the sill of the Batch room, with the boxes that take line signals there and back. */
const PEDALS = inRack('Window sill', [
  device('Fuzz pedal', 'batch', 'pedal'),
  device('Tremolo pedal', 'batch', 'pedal'),
  device('Echo pedal', 'batch', 'pedal', { width: 'stereo', latencyMs: 1.6 }),
  device('Phaser pedal', 'batch', 'pedal', { width: 'stereo' }),
  device('Re-amp box', 'batch', 'reampBox', { channels: 2 }),
  device('DI box', 'batch', 'diBox', { channels: 2, kind: 'passive' }),
  device('Pedal loops', 'batch', 'loopSwitcher', { loops: 4 }),
]);

/** The print passes these in line: two stereo loops at line level. */
const LOOPS = inRack('Print rack', [
  device('Mix loops', 'batch', 'loopSwitcher', {
    ...{ loops: 2, stereoLoops: 2, level: 'line', inputOhm: 20_000, outputOhm: 75, maxDbu: 26 },
  }),
  device('Mix equaliser', 'batch', 'equaliser', { channels: 2 }),
  device('Mix compressor', 'batch', 'dynamics', { channels: 2 }),
]);

const PREAMPS: readonly DeviceInput[] = [
  device('Mic preamp', 'batch', 'micPreamp', { channels: 4 }),
  device('Optical preamp', 'kiln', 'opticalPreamp', { channels: 8, inputOhm: 3600 }),
];

export const OUTBOARD: readonly DeviceInput[] = [...UNITS, ...PEDALS, ...LOOPS, ...PREAMPS];
