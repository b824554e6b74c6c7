import type { Answers, Ask, Starter, StarterDevice, StarterLoom } from './starter';
import { count } from './starter';
import type { Sources } from './starterMicrophones';
import type { Unit } from './starterOutboard';
import { asked, idOf, joined, loom, monitored, monitors, typical } from './starterGear';
import { micCables, microphones } from './starterMicrophones';
import { channelsOf, insertLines, sockets, unitAsks, unitsOf } from './starterOutboard';

const ROOM = 'room';
const [HOST, DEVICE] = ['DAW', 'Interface'];
/** Line outputs 1 and 2 are listened to; units come behind them. */
const MONITOR = 2;

const ASKS: readonly Ask[] = [
  {
    ...{ key: 'mics', kind: 'count', one: 'mic input', label: 'Mic inputs on the interface' },
    ...{ least: 1, most: 12, usual: 4 },
    why: 'As many microphones and lines are made; take away or add later.',
  },
  ...unitAsks(
    { compressors: 6, equalisers: 4 },
    { compressors: 2, equalisers: 0 },
    {
      compressors: 'Each is wired to a line output and a line input of its own.',
      equalisers: 'Wired to two line outputs and two line inputs each.',
    },
  ),
];

interface Sizes {
  readonly mics: number;
  readonly units: readonly Unit[];
  readonly sources: Sources;
  /** Host numbers before those of the units: inserts come back on the number they leave by. */
  readonly before: number;
  readonly streams: number;
}

function sizesOf(answers: Answers): Sizes {
  const mics = count(answers, 'mics');
  const units = unitsOf(answers, ROOM, 'Rack');
  const before = Math.max(MONITOR, mics);
  return { mics, units, sources: microphones(mics, ROOM), before, streams: before + channelsOf(units) };
}

const devicesOf = ({ mics, units, sources, streams }: Sizes): readonly StarterDevice[] => [
  asked(DEVICE, ROOM, 'audioInterface', {
    ...{ micInputs: mics, connector: 'xlr', opticalLinks: 0, hostStreams: streams },
    ...{ lineInputs: Math.max(2, channelsOf(units)), lineOutputs: MONITOR + channelsOf(units) },
    ...{ monitorMixes: 2, initialReferenceDbu: 18 },
  }),
  typical(HOST, ROOM, 'dawHost', { inputs: streams, outputs: streams }),
  ...units.map(({ device }) => device),
  ...monitors(ROOM),
  ...sources.devices,
];

const loomsOf = ({ units, streams }: Sizes): readonly StarterLoom[] => [
  ...joined(HOST, DEVICE, streams),
  ...monitored(`${DEVICE} line out 1`, `${DEVICE} line out 2`),
  ...units
    .flatMap((unit) => sockets(unit, 'in'))
    .map((socket, i) => loom(`${DEVICE} line out ${String(MONITOR + 1 + i)}`, socket)),
  ...units
    .flatMap((unit) => sockets(unit, 'out'))
    .map((socket, i) => loom(socket, `${DEVICE} line in ${String(1 + i)}`)),
];

/** One interface, a computer, a few microphones and a few units on its line sockets. */
export const interfaceRoom: Starter = {
  id: 'interface',
  name: 'One interface and a few units, no bay',
  what: 'A small room: microphones go straight into the interface, outboard is wired to its line sockets for good.',
  session: 'First recording',
  asks: ASKS,
  plan(answers) {
    const sizes = sizesOf(answers);
    const { mics, units, sources, before } = sizes;
    return {
      rooms: [{ id: ROOM, name: 'Control room' }],
      devices: devicesOf(sizes),
      looms: loomsOf(sizes),
      cords: micCables(mics),
      lines: [...sources.lines, ...insertLines(units, idOf(HOST), before + 1)],
      referenceDbu: 18,
      host: idOf(HOST),
    };
  },
};
