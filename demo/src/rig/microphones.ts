import type { DeviceInput } from './device';
import { device } from './device';

const condenser = (sensitivityMvPerPa: number, selfNoiseDbSpl: number, maxDbSpl: number) => ({
  principle: 'condenser',
  sensitivityMvPerPa,
  sourceOhm: 200,
  selfNoiseDbSpl,
  maxDbSpl,
});

/** Microphones by what they are; figures are invented and plausible. */
export const MICROPHONES: readonly DeviceInput[] = [
  device('Large condenser', 'booth', 'microphone', condenser(12, 14, 130)),
  device('Broadcast dynamic', 'booth', 'microphone', {
    principle: 'dynamic',
    sensitivityMvPerPa: 1.8,
    sourceOhm: 300,
  }),
  device('Lavalier condenser', 'booth', 'microphone', condenser(8, 24, 122)),
  device('Long ribbon', 'kiln', 'microphone', {
    principle: 'ribbon',
    sensitivityMvPerPa: 1.5,
    sourceOhm: 270,
    maxDbSpl: 140,
  }),
  device('Short ribbon', 'kiln', 'microphone', {
    principle: 'ribbon',
    sensitivityMvPerPa: 1.1,
    sourceOhm: 270,
    maxDbSpl: 145,
  }),
  device('Small condenser 1', 'kiln', 'microphone', condenser(20, 12, 134)),
  device('Small condenser 2', 'kiln', 'microphone', condenser(20, 12, 134)),
  device('Small condenser 3', 'kiln', 'microphone', condenser(20, 12, 134)),
  device('Figure-eight condenser', 'kiln', 'microphone', condenser(16, 15, 132)),
  device('Boundary condenser 1', 'kiln', 'microphone', condenser(22, 18, 128)),
  device('Boundary condenser 2', 'kiln', 'microphone', condenser(22, 18, 128)),
  device('Stage dynamic 1', 'kiln', 'microphone', {
    principle: 'dynamic',
    sensitivityMvPerPa: 2.4,
    sourceOhm: 250,
  }),
  device('Stage dynamic 2', 'kiln', 'microphone', {
    principle: 'dynamic',
    sensitivityMvPerPa: 2.4,
    sourceOhm: 250,
  }),
  device('Drum dynamic', 'kiln', 'microphone', {
    principle: 'dynamic',
    sensitivityMvPerPa: 1.2,
    sourceOhm: 210,
  }),
];
