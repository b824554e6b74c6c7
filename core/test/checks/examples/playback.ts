import { link, numbersTo } from '../../fixtures/playbackStudio';
import type { Parts } from '../../fixtures/studioOf';
import type { Examples } from './example';

type Settings = Record<string, number | boolean>;

interface Scenes {
  /** The console in the scene looked at, and in the other one. */
  readonly here?: Settings;
  readonly other?: Settings;
  readonly isLive?: boolean;
  readonly goesLive?: boolean;
}

const LIVE: Settings = {
  ...Object.fromEntries(
    numbersTo(2).flatMap((n) => [
      [`desk/channelSource/${String(n)}`, n],
      [`desk/cardOutSource/${String(n)}`, 2 + n],
    ]),
  ),
};
const PLAYS: Settings = { ...LIVE, 'desk/channelSource/1': 3, 'desk/channelSource/2': 4 };

/**
 * Two microphone inputs of a console on two channels, recorded at the input by a recorder on its card. The scene that
 * is looked at plays back, or is the live one.
 */
const recorded = ({ here = {}, other = {}, isLive = false, goesLive = false }: Scenes): Parts => ({
  devices: [
    { id: 'left', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
    { id: 'right', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
    {
      ...{ id: 'desk', type: 'digitalConsole' },
      params: {
        channels: 2,
        micInputs: 2,
        lineOutputs: 2,
        cards: 1,
        cardBlocks: 'each alone',
        groups: 0,
        auxes: 0,
      },
    },
    { id: 'recorder', type: 'multitrackRecorder', params: { tracks: 4, computer: false } },
  ],
  wires: [
    ['left/out/1', 'desk/mic-1/1'],
    ['right/out/1', 'desk/mic-2/1'],
    ...link('desk/madi-out-1', 'recorder/madi-in-1', 4),
    ...link('recorder/madi-out-1', 'desk/madi-in-1', 4),
  ],
  threads: ['left', 'right'].map((id, i) => ({
    ...{ from: `${id}/out/1`, to: `desk/mic-${String(i + 1)}/1`, purpose: 'feed' as const },
    ...{ levelDbSpl: 90, crestDb: 14, scenes: ['a-live', 'b-playback', 'c-show'] },
  })),
  session: {
    ...(goesLive && { goesLive: true }),
    scenes: [
      ...(isLive
        ? [
            { id: 'a-live', name: 'Show', cords: [], settings: { ...LIVE, ...here } },
            {
              id: 'b-playback',
              name: 'Playback',
              follows: 'a-live',
              cords: [],
              settings: { ...PLAYS, ...other },
            },
          ]
        : [
            { id: 'a-live', name: 'Playback', cords: [], settings: { ...PLAYS, ...here } },
            { id: 'b-playback', name: 'Show', cords: [], settings: { ...LIVE, ...other } },
          ]),
    ],
    playbackChecks: [
      {
        ...{ id: 'rehearsal', name: 'Rehearsal', console: 'desk', recorder: 'recorder' },
        channels: ['channel-1', 'channel-2'],
        ...(isLive ? { live: 'a-live', playback: 'b-playback' } : { live: 'b-playback', playback: 'a-live' }),
      },
    ],
  },
});

export const PLAYBACK_EXAMPLES: Examples<
  'playback-left-on' | 'record-tap-mismatch' | 'armed-in-playback' | 'gain-not-carried'
> = {
  'playback-left-on': {
    trips: recorded({ isLive: true, goesLive: true, here: { 'desk/channelSource/2': 4 } }),
    nearMiss: recorded({ isLive: true, goesLive: true }),
    at: ['device:desk', 'device:recorder'],
  },
  'record-tap-mismatch': {
    trips: recorded({ here: { 'desk/channelSource/1': 4, 'desk/channelSource/2': 5 } }),
    nearMiss: recorded({}),
    at: ['device:recorder', 'lane:desk/channel/1', 'lane:desk/channel/2'],
  },
  'armed-in-playback': {
    trips: recorded({ here: { 'recorder/recordArm/1': true } }),
    nearMiss: recorded({ other: { 'recorder/recordArm/1': true } }),
    at: ['device:recorder'],
  },
  'gain-not-carried': {
    trips: recorded({ here: { 'desk/gainDb/1': 36 } }),
    nearMiss: recorded({ here: { 'desk/gainDb/1': 36 }, other: { 'desk/gainDb/1': 36 } }),
    at: ['device:desk', 'lane:desk/channel/1'],
  },
};
