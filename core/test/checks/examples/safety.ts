import type { Parts } from '../../fixtures/studioOf';
import type { Examples } from './example';
import { dawParts, track } from './example';

const amplifierInto = (load: NonNullable<Parts['devices']>[number], input: string): Parts => ({
  devices: [{ id: 'amplifier', type: 'powerAmp', params: { channels: 1 } }, load],
  wires: [['amplifier/out-1/1', input]],
});

/** Headphones on something, and a cord to be plugged elsewhere. */
const listening = (fed: NonNullable<Parts['devices']>[number], out: string): Parts => ({
  devices: [
    { id: 'phones', name: 'Narrator headphones', type: 'headphones', params: {} },
    fed,
    { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'none' } },
  ],
  wires: [[out, 'phones/in/1']],
  cords: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }],
});

/** A track at line-up through a cue amplifier into headphones of 64 Ω and 98 dB/mW, two hours a day. */
const worn = (levelDb: number): Parts =>
  dawParts([track('click', { outputs: [{ to: 'host', first: 1 }], crestDb: 14 })], {
    devices: [
      { id: 'cue', type: 'cueAmp', params: { outputs: 1 } },
      { id: 'phones', name: 'Narrator headphones', type: 'headphones', params: {} },
    ],
    wires: [
      ['converter/line-out-1/1', 'cue/in-left/1'],
      ['cue/phones-1/1', 'phones/in/1'],
    ],
    settings: { 'cue/levelDb/1': levelDb },
    session: {
      performers: [{ id: 'narrator', name: 'Imke Tarrow', headphones: 'phones', hoursADay: 2 }],
    },
  });

export const SAFETY_EXAMPLES: Examples<
  'loudspeaker-level-into-line' | 'monitors-open-while-patching' | 'hearing-dose'
> = {
  'loudspeaker-level-into-line': {
    trips: amplifierInto({ id: 'opto', type: 'dynamics', params: {} }, 'opto/in-1/1'),
    nearMiss: amplifierInto(
      { id: 'monitor', type: 'loudspeaker', params: { powered: false } },
      'monitor/in/1',
    ),
    at: ['lane:amplifier/out-1/1', 'lane:opto/in-1/1'],
  },
  'monitors-open-while-patching': {
    trips: listening({ id: 'opto', type: 'dynamics', params: {} }, 'opto/out-1/1'),
    nearMiss: listening({ id: 'cue', type: 'cueAmp', params: {} }, 'cue/phones-1/1'),
    at: ['device:phones'],
  },
  'hearing-dose': {
    // +4 dBu, 10 dB of gain, 29 dB of knob, 10 Ω into 64 Ω: 91.4 dB SPL; NIOSH 98-126 allows 91.0 for two hours.
    trips: worn(-29),
    nearMiss: worn(-30),
    at: ['performer:narrator', 'device:phones'],
  },
};
