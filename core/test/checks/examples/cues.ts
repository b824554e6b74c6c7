import { CUE, cueStudio, NARRATOR } from '../../fixtures/cueStudio';
import type { Parts } from '../../fixtures/studioOf';
import type { Examples } from './example';
import { track } from './example';

const TALK = { 'console/talkToCue/1': true } as const;

/** A clicking player on channel 2, in the cue, and a second pair of headphones that nobody wears by the microphone. */
const clicking = (volumeDb: number): Parts =>
  cueStudio({
    devices: [
      { id: 'clicker', type: 'mediaPlayer', params: {} },
      { id: 'spare', type: 'headphones', params: {} },
    ],
    wires: [
      ['clicker/out-1/1', 'console/line-2/1'],
      ['amp/phones-2/1', 'spare/in/1'],
      ['amp/phones-2/2', 'spare/in/2'],
    ],
    threads: [
      {
        ...{ from: 'mic/out/1', to: 'console/mic-1/1', purpose: 'feed', performer: NARRATOR.name },
        ...{ source: 'Voice', levelDbSpl: 88, crestDb: 14 },
      },
      {
        ...{ from: 'clicker/out-1/1', to: 'console/line-2/1', purpose: 'feed', source: 'Click' },
        ...{ click: true, levelDbu: 4, crestDb: 20 },
      },
    ],
    settings: {
      ...TALK,
      ...{ 'console/channelInput/2': 2, 'console/cue/2': 1, 'console/cueDb/2': -10 },
      'amp/levelDb/2': volumeDb,
    },
    session: { cues: [{ ...CUE, headphones: [{ id: 'phones' }, { id: 'spare' }] }] },
  });

/** The narrator heard at the console and once more through the recorder; `monitored` opens the second way. */
const twice = (monitored: boolean): Parts =>
  cueStudio({
    devices: [
      { id: 'converter', type: 'converter', params: { adcs: 2, dacs: 2, initialReferenceDbu: 22 } },
      { id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 2, outputs: 2 } },
    ],
    wires: [
      ['console/direct-1/1', 'converter/line-in-1/1'],
      ['converter/host-out/1', 'daw/stream-in/1'],
      ['daw/stream-out/1', 'converter/host-in/1'],
      ['converter/line-out-1/1', 'console/line-2/1'],
    ],
    settings: {
      ...TALK,
      ...{ 'console/directPre/1': true, 'console/channelInput/2': 2 },
      ...{ 'console/cue/2': 1, 'console/cueDb/2': -10 },
    },
    session: {
      host: 'daw',
      tracks: [
        track('narr', {
          input: { from: 'host', first: 1 },
          outputs: [{ to: 'host', first: 1 }],
          inputMonitor: monitored,
        }),
      ] as never,
    },
  });

export const CUE_EXAMPLES: Examples<
  'cue-post-fader' | 'performer-without-cue' | 'open-headphones' | 'no-talkback' | 'cue-heard-twice'
> = {
  'cue-post-fader': {
    trips: cueStudio({ settings: { 'console/cue/1': 2 } }),
    nearMiss: cueStudio(),
    at: ['cue:narrator', 'thread:thread-1'],
  },
  'performer-without-cue': {
    trips: cueStudio({ settings: { 'console/cue/1': 0 } }),
    nearMiss: cueStudio(),
    at: ['performer:imke', 'thread:thread-1'],
  },
  'open-headphones': {
    trips: clicking(-30),
    nearMiss: clicking(-80),
    at: ['cue:narrator', 'device:spare', 'device:mic', 'thread:thread-1'],
  },
  'no-talkback': {
    trips: cueStudio(),
    nearMiss: cueStudio({ settings: TALK }),
    at: ['cue:narrator', 'device:phones'],
  },
  'cue-heard-twice': {
    trips: twice(true),
    nearMiss: twice(false),
    at: ['cue:narrator', 'thread:thread-1', 'device:phones'],
  },
};
