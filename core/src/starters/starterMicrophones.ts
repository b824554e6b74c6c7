import { numbersTo } from '../rig/catalogue/params';
import { USUAL_MICROPHONES } from '../rig/catalogue/usualMicrophones';
import type { StarterDevice, StarterLine, StarterPlan } from './starter';
import { asked, idOf } from './starterGear';

/** Sources a band or an ensemble has, in the order in which they are usually numbered. Common practice, no source. */
const SOURCES = [
  { source: 'Voice', condenser: true, levelDbSpl: 90, crestDb: 14 },
  { source: 'Guitar amplifier', condenser: false, levelDbSpl: 104, crestDb: 12 },
  { source: 'Acoustic guitar', condenser: true, levelDbSpl: 84, crestDb: 16 },
  { source: 'Snare drum', condenser: false, levelDbSpl: 112, crestDb: 20 },
  { source: 'Piano left', condenser: true, levelDbSpl: 88, crestDb: 18 },
  { source: 'Piano right', condenser: true, levelDbSpl: 88, crestDb: 18 },
  { source: 'Bass amplifier', condenser: false, levelDbSpl: 104, crestDb: 12 },
  { source: 'Room', condenser: true, levelDbSpl: 88, crestDb: 18 },
] as const;

export interface Sources {
  readonly devices: readonly StarterDevice[];
  readonly lines: readonly StarterLine[];
}

/** So many microphones of the two usual kinds, each on a source, as lines of the first session. */
export function microphones(count: number, room: string): Sources {
  const kinds = numbersTo(count).map((n) => {
    const kind = SOURCES[(n - 1) % SOURCES.length] ?? SOURCES[0];
    const round = Math.floor((n - 1) / SOURCES.length) + 1;
    return { ...kind, source: round === 1 ? kind.source : `${kind.source} ${String(round)}` };
  });
  const nameOf = (at: number): string => {
    const { condenser } = kinds[at] ?? SOURCES[0];
    const number = kinds.slice(0, at + 1).filter((each) => each.condenser === condenser).length;
    return `${condenser ? 'Condenser' : 'Dynamic'} ${String(number)}`;
  };
  return {
    devices: kinds.map(({ condenser }, at) =>
      asked(
        nameOf(at),
        room,
        'microphone',
        condenser ? USUAL_MICROPHONES.condenser : USUAL_MICROPHONES.dynamic,
      ),
    ),
    lines: kinds.map(({ source, condenser, levelDbSpl, crestDb }, at) => ({
      ...{ source, levelDbSpl, crestDb, phantom: condenser },
      from: `${idOf(nameOf(at))}/out/1`,
      trackName: source.toUpperCase().slice(0, 12),
    })),
  };
}

/** Each line by the wall socket of its number. */
export const onLines = (lines: readonly StarterLine[], panel: string): readonly StarterLine[] =>
  lines.map((line, i) => ({ ...line, pins: { 'room-jack': `${idOf(panel)}/line-${String(i + 1)}` } }));

/** The usual hook: mic cables for so many microphones and a few to spare. */
export const micCables = (microphones: number): StarterPlan['cords'] => [
  {
    ...{ id: 'mic-5', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: 'black' },
    count: microphones + 4,
  },
  { id: 'mic-10', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 10, colour: 'black', count: 4 },
];
