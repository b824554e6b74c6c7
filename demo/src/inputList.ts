import type { PreampWish } from '@ft/core/actions/track/threadEdits';
import type { SceneId } from '@ft/core/rig/ids';
import type { Thread } from '@ft/core/session/sessionSchema';
import { threadSchema } from '@ft/core/session/sessionSchema';

/** A line of the input list, and how its preamp is set. */
export interface Line {
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

/** A line of "Tracking" from what an engineer would write down. */
export function line(number: number, { mic, preamp, pins = {}, inserts = [], ...rest }: LineInput): Line {
  const thread = threadSchema.parse({
    ...rest,
    id: `line-${String(number)}`,
    number,
    purpose: 'input',
    from: `${mic}/out/1`,
    pins,
    inserts,
    scenes: ['tracking' as SceneId],
  });
  return { thread, preamp };
}

/** The hardware insert of the crush track: out of the DAW, through a compressor, and back. */
export const CRUSH: Line = {
  thread: threadSchema.parse({
    id: 'line-13',
    number: 13,
    purpose: 'insert',
    performer: '',
    source: 'Crush',
    from: 'daw/output/17',
    inserts: ['transistor-compressor-a/channel-a'],
    trackName: 'CRUSH',
    pins: { 'daw-input': 'daw/input-17' },
    scenes: ['tracking' as SceneId],
  }),
  preamp: {},
};

/** The chamber group stands round the floor box, each on a line of their own to the optical preamp. */
const onFloorBox = (n: number): Record<string, string> => ({
  'room-jack': `floor-box/line-${String(n)}`,
});

/**
 * The input list of "Tracking". The harp stands by Kiln line 5, which no normal leads on. The chamber
 * group comes first, as it was set up the day before.
 */
export const LINES: readonly Line[] = [
  line(5, {
    ...{ performer: 'Brannoc Teale', source: 'Vibraphone left', mic: 'small-condenser-2', trackName: 'VIB' },
    ...{ levelDbSpl: 90, crestDb: 18, pins: onFloorBox(1), preamp: { gainDb: 32, phantom: true } },
  }),
  line(6, {
    ...{ performer: 'Brannoc Teale', source: 'Vibraphone right', mic: 'small-condenser-3', trackName: 'VIB' },
    ...{ levelDbSpl: 90, crestDb: 18, pins: onFloorBox(2), preamp: { gainDb: 32, phantom: true } },
  }),
  line(7, {
    ...{
      performer: 'Saskia Orrel',
      source: 'Bass clarinet',
      mic: 'figure-eight-condenser',
      trackName: 'BCL',
    },
    ...{ levelDbSpl: 88, crestDb: 14, pins: onFloorBox(3), preamp: { gainDb: 36, phantom: true } },
  }),
  line(8, {
    ...{ performer: 'Mattis Quill', source: 'Harmonium', mic: 'stage-dynamic-1', trackName: 'HARM' },
    ...{ levelDbSpl: 92, crestDb: 12, pins: onFloorBox(4), preamp: { gainDb: 50 } },
  }),
  line(9, {
    ...{ performer: 'Nell Farrow', source: 'Frame drums', mic: 'drum-dynamic', trackName: 'DRUM' },
    ...{ levelDbSpl: 106, crestDb: 20, pins: onFloorBox(5), preamp: { gainDb: 36 } },
  }),
  line(10, {
    ...{ performer: 'Wen Askelby', source: 'Harp low strings', mic: 'stage-dynamic-2', trackName: 'HARPLO' },
    ...{ levelDbSpl: 88, crestDb: 16, pins: onFloorBox(6), preamp: { gainDb: 48 } },
  }),
  line(11, {
    ...{ performer: '', source: 'Room left', mic: 'boundary-condenser-1', trackName: 'ROOM' },
    ...{ levelDbSpl: 82, crestDb: 18, pins: onFloorBox(7), preamp: { gainDb: 38, phantom: true } },
  }),
  line(12, {
    ...{ performer: '', source: 'Room right', mic: 'boundary-condenser-2', trackName: 'ROOM' },
    ...{ levelDbSpl: 82, crestDb: 18, pins: onFloorBox(8), preamp: { gainDb: 38, phantom: true } },
  }),
  line(1, {
    ...{ performer: 'Imke Tarrow', source: 'Narrator', mic: 'large-condenser', trackName: 'NARR' },
    ...{ levelDbSpl: 88, crestDb: 14, inserts: ['opto-compressor/channel-a'] },
    preamp: { gainDb: 44, phantom: true },
  }),
  line(2, {
    ...{ performer: 'Joss Verrill', source: 'Lamplighter', mic: 'broadcast-dynamic', trackName: 'LAMP' },
    ...{ levelDbSpl: 104, crestDb: 16, preamp: { gainDb: 56 } },
  }),
  line(3, {
    ...{ performer: 'Odile Marrable', source: 'Foley', mic: 'long-ribbon', trackName: 'FOLEY' },
    ...{ levelDbSpl: 82, crestDb: 20, preamp: { gainDb: 56 } },
  }),
  line(4, {
    ...{ performer: 'Wen Askelby', source: 'Harp', mic: 'small-condenser-1', trackName: 'HARP' },
    ...{ levelDbSpl: 86, crestDb: 16, pins: { 'room-jack': 'kiln-panel/line-5' } },
    preamp: { gainDb: 38, phantom: true },
  }),
];
