import { idFromName } from '../rig/ids';
import { settingsOf } from '../rig/buildDevice';
import { numbersTo } from '../rig/catalogue/params';
import { deviceSchema } from '../rig/rigSchema';
import type {
  Answers,
  Ask,
  DeviceInput,
  StarterDevice,
  StarterLine,
  StarterLoom,
  StarterPlan,
} from './starter';
import { count } from './starter';

/** The id a device gets from its name; names in a starter room are all different. */
export const idOf = (name: string): string => idFromName(name, new Set(), 'device');

const made = (
  isAsked: boolean,
  name: string,
  room: string,
  type: string,
  params: DeviceInput['params'] = {},
  rack?: string,
): StarterDevice => ({
  device: { id: idOf(name), name, room, type, params, ...(rack !== undefined && { rack }) },
  isAsked,
});

type Made = (
  name: string,
  room: string,
  type: string,
  params?: DeviceInput['params'],
  rack?: string,
) => StarterDevice;

/** A device of which there are as many, or which is as large, as was asked. */
export const asked: Made = (...about) => made(true, ...about);

/** A device that such a room usually has. */
export const typical: Made = (...about) => made(false, ...about);

export const loom = (from: string, to: string, pairing?: StarterLoom['pairing']): StarterLoom => ({
  ...{ from, to },
  ...(pairing !== undefined && { pairing }),
});

/** "1" for one, "1-8" for more. */
export const run = (first: number, count: number): string =>
  count === 1 ? String(first) : `${String(first)}-${String(first + count - 1)}`;

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

/** Figures of the two usual kinds of microphone. From memory of many data sheets. */
const CONDENSER = {
  principle: 'condenser',
  sensitivityMvPerPa: 14,
  sourceOhm: 200,
  selfNoiseDbSpl: 14,
  maxDbSpl: 134,
};
const DYNAMIC = { principle: 'dynamic', sensitivityMvPerPa: 1.9, sourceOhm: 250 };

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
      asked(nameOf(at), room, 'microphone', condenser ? CONDENSER : DYNAMIC),
    ),
    lines: kinds.map(({ source, condenser, levelDbSpl, crestDb }, at) => ({
      ...{ source, levelDbSpl, crestDb, phantom: condenser },
      from: `${idOf(nameOf(at))}/out/1`,
      trackName: source.toUpperCase().slice(0, 12),
    })),
  };
}

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

/** Each line by the wall socket of its number. */
export const onLines = (lines: readonly StarterLine[], panel: string): readonly StarterLine[] =>
  lines.map((line, i) => ({ ...line, pins: { 'room-jack': `${idOf(panel)}/line-${String(i + 1)}` } }));

/** Two loudspeakers with amplifiers of their own. */
export const speakers = (room: string): readonly StarterDevice[] =>
  ['left', 'right'].map((side) => typical(`Monitor ${side}`, room, 'loudspeaker', { distanceM: 1.2 }));

/** A monitor controller and two loudspeakers with amplifiers of their own. */
export const monitors = (room: string): readonly StarterDevice[] => [
  typical('Monitor controller', room, 'monitorController', { sources: 1, speakerSets: 1 }),
  ...speakers(room),
];

/** What is listened to, over the monitor controller. */
export const monitored = (left: string, right: string): readonly StarterLoom[] => [
  loom(left, 'Monitor controller source 1 left'),
  loom(right, 'Monitor controller source 1 right'),
  loom('Monitor controller speakers 1 left', 'Monitor left in'),
  loom('Monitor controller speakers 1 right', 'Monitor right in'),
];

/** Host and interface joined stream to stream. */
export const joined = (host: string, device: string, streams: number, first = 1): readonly StarterLoom[] => [
  loom(`${device} to host ${run(1, streams)}`, `${host} stream in ${run(first, streams)}`),
  loom(`${host} stream out ${run(first, streams)}`, `${device} from host ${run(1, streams)}`),
];

/** The usual hook: mic cables for so many microphones and a few to spare. */
export const micCables = (microphones: number): StarterPlan['cords'] => [
  {
    ...{ id: 'mic-5', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: 'black' },
    count: microphones + 4,
  },
  { id: 'mic-10', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 10, colour: 'black', count: 4 },
];

/** Patch cords for so many places on the bays. */
export const patchCords = (places: number): StarterPlan['cords'] => [
  { id: 'tt-short', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: 'ochre', count: places },
  {
    ...{ id: 'tt-long', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 1.2, colour: 'slate' },
    count: Math.ceil(places / 2),
  },
];

/** A device that follows a connector of its own for its clock: one master, and everything else behind it. */
export const following = ({ device, isAsked }: StarterDevice, connector: string): StarterDevice => ({
  device: { ...device, clock: { follows: connector } },
  isAsked,
});

/** The master of the clock. */
export const master = (made: StarterDevice): StarterDevice => following(made, 'internal');

/** Where a selector stands when it listens to what is called so. */
export function positionOf({ device }: StarterDevice, setting: string, name: string): number {
  const spec = settingsOf(deviceSchema.parse(device)).find((each) => each.setting === setting);
  const at = spec?.names?.findIndex((each) => each.startsWith(name)) ?? -1;
  const position = spec?.range?.positions?.[at];
  if (position === undefined) throw new Error(`${device.name} has no position “${name}” of ${setting}`);
  return position;
}
