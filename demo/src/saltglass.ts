import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { applyChange } from '@ft/core/edits/change';
import { addThreadEdits } from '@ft/core/plan/threadEdits';
import type { PreampWish } from '@ft/core/plan/threadEdits';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import type { SettingKey, SettingValue } from '@ft/core/rig/settings';
import type { Thread } from '@ft/core/session/sessionSchema';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { SALTGLASS_RIG } from './saltglassRig';

const PLACE = { session: 'lamplighters-ledger', scene: 'tracking' } as ScenePlace;

interface Line {
  readonly thread: Thread;
  readonly preamp: PreampWish;
}

type LineInput = Pick<Thread, 'performer' | 'source' | 'trackName'> & {
  readonly mic: string;
  readonly levelDbSpl: number;
  readonly crestDb: number;
  readonly pins?: Record<string, string>;
  readonly inserts?: readonly string[];
  readonly preamp: PreampWish;
};

function line(number: number, { mic, preamp, pins = {}, inserts = [], ...rest }: LineInput): Line {
  const thread = threadSchema.parse({
    ...rest,
    id: `line-${String(number)}`,
    number,
    purpose: 'input',
    from: `${mic}/out/1`,
    pins,
    inserts,
    scenes: [PLACE.scene],
  });
  return { thread, preamp };
}

/** The input list of "Tracking". The harp stands by Kiln line 5, which no normal leads on. */
const LINES: readonly Line[] = [
  line(1, {
    performer: 'Imke Tarrow',
    source: 'Narrator',
    mic: 'narrator-mic',
    trackName: 'NARR',
    levelDbSpl: 88,
    crestDb: 14,
    inserts: ['opto/channel-a'],
    preamp: { gainDb: 44, phantom: true },
  }),
  line(2, {
    performer: 'Joss Verrill',
    source: 'Lamplighter',
    mic: 'actor-mic',
    trackName: 'LAMP',
    levelDbSpl: 104,
    crestDb: 16,
    preamp: { gainDb: 56 },
  }),
  line(3, {
    performer: 'Odile Marrable',
    source: 'Foley',
    mic: 'foley-mic',
    trackName: 'FOLEY',
    levelDbSpl: 82,
    crestDb: 20,
    preamp: { gainDb: 56 },
  }),
  line(4, {
    performer: 'Wen Askelby',
    source: 'Harp',
    mic: 'harp-mic',
    trackName: 'HARP',
    levelDbSpl: 86,
    crestDb: 16,
    pins: { 'room-jack': 'kiln-panel/line-5' },
    preamp: { gainDb: 38, phantom: true },
  }),
];

const SETTINGS: Record<string, SettingValue> = { 'opto/netGainDb/1': -2 };

/** The studio before its threads: rig, session and an empty scene. */
function emptyStudio(): Studio {
  return studioSchema.parse({
    id: 'saltglass-rooms',
    name: 'Saltglass Rooms',
    rig: SALTGLASS_RIG,
    sessions: [
      {
        id: PLACE.session,
        name: 'The Lamplighter’s Ledger',
        sampleRateHz: 48_000,
        wordLengthBits: 24,
        bufferSamples: 64,
        lineUp: { dbfs: -18, dbu: 4 },
        threads: [],
        scenes: [
          {
            id: PLACE.scene,
            name: 'Tracking',
            cords: [],
            settings: SETTINGS as Record<SettingKey, SettingValue>,
          },
        ],
        waivers: [],
      },
    ],
  });
}

function withLine(studio: Studio, { thread, preamp }: Line): Studio {
  const result = applyChange(studio, addThreadEdits(studio, PLACE, thread, preamp));
  if (!result.ok) throw new Error(`the demo does not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

/** Saltglass Rooms with "The Lamplighter's Ledger": built by the program's own edits and router. */
export const saltglassRooms = (): Studio => LINES.reduce(withLine, canonicalStudio(emptyStudio()));

/** Where the demo opens. */
export const SALTGLASS_PLACE = PLACE;
