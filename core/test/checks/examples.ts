import type { RuleId } from '@ft/core/checks/finding';
import type { Parts } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';
import type { Example } from './examples/example';
import { CUE_EXAMPLES } from './examples/cues';
import { LEVEL_EXAMPLES } from './examples/level';
import { MIX_EXAMPLES } from './examples/mix';
import { PLAYBACK_EXAMPLES } from './examples/playback';
import { SAFETY_EXAMPLES } from './examples/safety';
import { TIME_EXAMPLES } from './examples/time';
import { TOPOLOGY_EXAMPLES } from './examples/topology';

const dynamicMic = (id: string): NonNullable<Parts['devices']>[number] => ({
  id,
  type: 'microphone',
  params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
});

/** A microphone, a bay of some connector, a preamp, a converter and a DAW. The line is patched at the bay. */
const patched = (connector: string, settings: Parts['settings']): Parts => ({
  devices: [
    dynamicMic('mic'),
    { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'none', connector } },
    { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
    { id: 'converter', type: 'converter', params: { adcs: 1, dacs: 1 } },
    { id: 'daw', type: 'dawHost', params: { inputs: 1, outputs: 1 } },
  ],
  wires: [
    ['mic/out/1', 'bay/upper-rear-1/1'],
    ['bay/lower-rear-2/1', 'preamp/mic-1/1'],
    ['preamp/out-1/1', 'converter/line-in-1/1'],
    ['converter/host-out/1', 'daw/stream-in/1'],
  ],
  cords: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1', stock: connector === 'xlr' ? 'mic' : 'tt' }],
  threads: [{ from: 'mic/out/1' }],
  ...(settings && { settings }),
});

/** Two lines behind a full-normalled bay; a plug of a spare cord sits in a jack of the first or the second. */
const normalled = (plugIn: string): Parts => ({
  devices: [
    dynamicMic('mic'),
    { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'full' } },
    { id: 'spare', type: 'patchbay', params: { columns: 1, normalling: 'none' } },
    { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
    { id: 'converter', type: 'converter', params: { adcs: 1, dacs: 1 } },
    { id: 'daw', type: 'dawHost', params: { inputs: 1, outputs: 1 } },
  ],
  wires: [
    ['mic/out/1', 'bay/upper-rear-1/1'],
    ['bay/lower-rear-1/1', 'preamp/mic-1/1'],
    ['preamp/out-1/1', 'converter/line-in-1/1'],
    ['converter/host-out/1', 'daw/stream-in/1'],
  ],
  cords: [{ from: 'spare/upper-1/1', to: plugIn }],
  threads: [{ from: 'mic/out/1' }],
});

const withSettings = (settings: Record<string, number | boolean>): Parts => ({
  ...WORKED_LADDER,
  settings: { ...WORKED_LADDER.settings, ...settings },
});

const phantomMic = (principle: 'ribbon' | 'condenser'): Parts => ({
  ...WORKED_LADDER,
  devices: [
    { id: 'mic', type: 'microphone', params: { principle, sensitivityMvPerPa: 2 } },
    ...WORKED_LADDER.devices!.slice(1),
  ],
  settings: { 'preamp/phantom/1': true },
});

/** A second microphone on its own preamp and converter channel, with or without the first one's compressor. */
const secondMic = (insertsOfSecond: readonly string[]): Parts => ({
  ...WORKED_LADDER,
  devices: [
    ...WORKED_LADDER.devices!,
    dynamicMic('second'),
    { id: 'preamp-2', type: 'micPreamp', params: { channels: 1 } },
  ],
  wires: [
    ...WORKED_LADDER.wires!,
    ['second/out/1', 'preamp-2/mic-1/1'],
    ['preamp-2/out-1/1', 'converter/line-in-1/2'],
  ],
  threads: [
    { from: 'mic/out/1', inserts: ['opto/channel-a'] },
    { from: 'second/out/1', inserts: [...insertsOfSecond] },
  ],
});

/** Every rule's two examples. */
export const EXAMPLES: Record<RuleId, Example> = {
  ...SAFETY_EXAMPLES,
  ...TOPOLOGY_EXAMPLES,
  ...LEVEL_EXAMPLES,
  ...TIME_EXAMPLES,
  ...CUE_EXAMPLES,
  ...PLAYBACK_EXAMPLES,
  ...MIX_EXAMPLES,
  'phantom-on-jack-bay': {
    trips: patched('tt', { 'preamp/phantom/1': true }),
    nearMiss: patched('xlr', { 'preamp/phantom/1': true }),
    at: ['thread:thread-1', 'station:preamp/channel-1', 'cord:cord-1'],
  },
  'phantom-into-ribbon': {
    trips: phantomMic('ribbon'),
    nearMiss: phantomMic('condenser'),
    at: ['thread:thread-1', 'station:preamp/channel-1', 'lane:mic/out/1'],
  },
  'phantom-missing': {
    trips: withSettings({ 'preamp/phantom/1': false }),
    nearMiss: WORKED_LADDER,
    at: ['thread:thread-1', 'station:preamp/channel-1', 'lane:mic/out/1'],
  },
  'gone-from-rig': {
    trips: {
      ...WORKED_LADDER,
      threads: [{ ...WORKED_LADDER.threads![0]!, inserts: ['opto-b/channel-a'] }],
    },
    nearMiss: WORKED_LADDER,
    at: ['thread:thread-1'],
  },
  'thread-incomplete': {
    trips: { ...patched('tt', undefined), cords: [] },
    nearMiss: patched('tt', undefined),
    at: ['thread:thread-1', 'lane:bay/upper-1/1'],
  },
  'unit-used-twice': {
    trips: secondMic(['opto/channel-a']),
    nearMiss: secondMic([]),
    at: ['station:opto/channel-a', 'thread:thread-1', 'thread:thread-2'],
  },
  'normal-broken': {
    trips: normalled('bay/lower-1/1'),
    nearMiss: normalled('bay/lower-2/1'),
    at: ['thread:thread-1', 'cord:cord-1', 'lane:bay/lower-1/1'],
  },
  'over-max-input': {
    // Peak −8.01 dBFS at 44 dB of gain: 52 dB is just inside, 53 dB over.
    trips: withSettings({ 'preamp/gainDb/1': 53 }),
    nearMiss: withSettings({ 'preamp/gainDb/1': 52 }),
    at: ['thread:thread-1', 'lane:converter/line-in-1/1'],
  },
  'level-class': {
    trips: {
      devices: [dynamicMic('mic'), { id: 'opto', type: 'dynamics', params: {} }],
      wires: [['mic/out/1', 'opto/in-1/1']],
    },
    nearMiss: {
      devices: [dynamicMic('mic'), { id: 'preamp', type: 'micPreamp', params: { channels: 1 } }],
      wires: [['mic/out/1', 'preamp/mic-1/1']],
    },
    at: ['lane:mic/out/1', 'lane:opto/in-1/1'],
  },
};
