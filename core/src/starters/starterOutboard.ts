import { numbersTo } from '../rig/catalogue/params';
import type { Answers, Ask, StarterDevice, StarterLine } from './starter';
import { count } from './starter';
import { asked, idOf } from './starterGear';

/** What is asked about outboard. @param why what comes of each kind in the room. */
export const unitAsks = (
  most: { readonly compressors: number; readonly equalisers: number },
  usual: { readonly compressors: number; readonly equalisers: number },
  why: { readonly compressors: string; readonly equalisers: string },
): readonly Ask[] => [
  {
    ...{ key: 'compressors', kind: 'count', one: 'compressor', label: 'Mono compressors' },
    ...{ least: 0, most: most.compressors, usual: usual.compressors, why: why.compressors },
  },
  {
    ...{ key: 'equalisers', kind: 'count', one: 'equaliser', label: 'Stereo equalisers' },
    ...{ least: 0, most: most.equalisers, usual: usual.equalisers, why: why.equalisers },
  },
];

/** The outboard that was answered. */
export const unitsOf = (answers: Answers, room: string, rack: string): readonly Unit[] =>
  outboard(count(answers, 'compressors'), count(answers, 'equalisers'), room, rack);

/** A unit of outboard with one or two channels, as an insert of the first session. */
export interface Unit {
  readonly name: string;
  readonly channels: 1 | 2;
  readonly device: StarterDevice;
}

/** Compressors of one channel, then equalisers of two: the outboard most rooms begin with. Common practice, no source. */
function outboard(compressors: number, equalisers: number, room: string, rack?: string): readonly Unit[] {
  return [
    ...numbersTo(compressors).map((n): Unit => {
      const name = `Compressor ${String(n)}`;
      return { name, channels: 1, device: asked(name, room, 'dynamics', { channels: 1 }, rack) };
    }),
    ...numbersTo(equalisers).map((n): Unit => {
      const name = `Equaliser ${String(n)}`;
      return { name, channels: 2, device: asked(name, room, 'equaliser', { channels: 2 }, rack) };
    }),
  ];
}

/** The sockets of a unit as they are typed: "Equaliser 1 in A". */
export const sockets = ({ name, channels }: Unit, direction: 'in' | 'out'): readonly string[] =>
  channels === 1 ? [`${name} ${direction}`] : ['A', 'B'].map((side) => `${name} ${direction} ${side}`);

/** The stations of a unit. */
export const stationsOf = ({ name, channels }: Unit): readonly string[] =>
  channels === 1 ? [`${idOf(name)}/channel-a`] : ['a', 'b'].map((side) => `${idOf(name)}/channel-${side}`);

/** Lines that go out of the host, through each unit and back to the same number. */
export function insertLines(
  units: readonly Unit[],
  host: string,
  firstOutput: number,
): readonly StarterLine[] {
  const stations = units.flatMap((unit) =>
    stationsOf(unit).map((station, side) => ({
      station,
      source: unit.channels === 1 ? unit.name : `${unit.name} ${side === 0 ? 'left' : 'right'}`,
    })),
  );
  return stations.map(({ station, source }, i) => ({
    ...{ source, purpose: 'insert', from: `${host}/output/${String(firstOutput + i)}` },
    ...{ inserts: [station], trackName: '', crestDb: 14 },
  }));
}

export const channelsOf = (units: readonly Unit[]): number =>
  units.reduce((sum, { channels }) => sum + channels, 0);
