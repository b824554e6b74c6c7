import { numbersTo } from '../rig/catalogue/params';
import type { Answers, Ask, Starter, StarterDevice, StarterLine, StarterLoom } from './starter';
import { count } from './starter';
import type { Unit } from './starterOutboard';
import { asked, idOf, joined, loom, monitored, monitors, patchCords, run, typical } from './starterGear';
import { channelsOf, insertLines, sockets, unitAsks, unitsOf } from './starterOutboard';

const ROOM = 'mix';
const [HOST, DEVICE, SUM] = ['DAW', 'Converter', 'Summing mixer'];
/** Outputs 1 and 2 are listened to; units come next, and what is left is summed. */
const MONITOR = 2;
const BLOCK = 8;

const ASKS: readonly Ask[] = [
  {
    ...{
      key: 'blocks',
      kind: 'count',
      one: 'block of eight',
      label: 'Converter channels, in blocks of eight',
    },
    ...{ least: 4, most: 8, usual: 4 },
    why: 'Four blocks are 32 channels out and 32 back.',
  },
  {
    ...{ key: 'pairs', kind: 'count', one: 'stereo pair', label: 'Stereo pairs of the summing mixer' },
    ...{ least: 2, most: 8, usual: 8 },
    why: 'Eight pairs are a summing mixer of 16 inputs.',
  },
  ...unitAsks(
    { compressors: 6, equalisers: 4 },
    { compressors: 2, equalisers: 1 },
    {
      compressors: 'Each stands on a converter output and input of its own.',
      equalisers: 'Two converter outputs and inputs each.',
    },
  ),
  {
    ...{ key: 'bay', kind: 'switch', label: 'Everything comes up on a patchbay', usual: true },
    why: 'With a bay everything can be patched elsewhere; without, it is wired through.',
  },
];

interface Sizes {
  readonly channels: number;
  readonly sums: number;
  readonly units: readonly Unit[];
  /** The converter output of the first summing input. */
  readonly firstSum: number;
  readonly hasBay: boolean;
}

function sizesOf(answers: Answers): Sizes {
  const units = unitsOf(answers, ROOM, 'Rack');
  return {
    channels: BLOCK * count(answers, 'blocks'),
    sums: 2 * count(answers, 'pairs'),
    units,
    firstSum: MONITOR + channelsOf(units) + 1,
    hasBay: answers['bay'] === true,
  };
}

const devicesOf = ({ channels, sums, units, hasBay }: Sizes): readonly StarterDevice[] => [
  asked(DEVICE, ROOM, 'converter', { adcs: channels, dacs: channels, initialReferenceDbu: 22 }),
  asked(SUM, ROOM, 'summingMixer', { inputs: sums }),
  typical(HOST, ROOM, 'dawHost', { inputs: channels, outputs: channels }),
  ...units.map(({ device }) => device),
  ...monitors(ROOM),
  ...(hasBay ? ['Bay A', 'Bay B'] : []).map((name) =>
    asked(name, ROOM, 'patchbay', { columns: channels, normalling: 'half' }, 'Bays'),
  ),
];

/** Where an output of the converter, and an input, is reached: behind the bay, or at the converter itself. */
const reached = ({ hasBay }: Sizes) => ({
  out: (numbers: string): string => (hasBay ? `Bay A ${numbers} lower` : `${DEVICE} line out ${numbers}`),
  into: (numbers: string): string => (hasBay ? `Bay B ${numbers} upper` : `${DEVICE} line in ${numbers}`),
});

/** On bays, converter outputs stand over what they usually feed; a cord in either jack takes the place of the normal. */
const behindBays = ({ channels, hasBay }: Sizes): readonly StarterLoom[] =>
  hasBay
    ? [
        loom(`${DEVICE} line out ${run(1, channels)}`, `Bay A ${run(1, channels)} upper`),
        loom(`Bay B ${run(1, channels)} lower`, `${DEVICE} line in ${run(1, channels)}`),
      ]
    : [];

function loomsOf(sizes: Sizes): readonly StarterLoom[] {
  const { channels, sums, units, firstSum } = sizes;
  const { out, into } = reached(sizes);
  return [
    ...joined(HOST, DEVICE, channels),
    ...behindBays(sizes),
    ...monitored(out('1'), out('2')),
    ...units
      .flatMap((unit) => sockets(unit, 'in'))
      .map((socket, i) => loom(out(String(MONITOR + 1 + i)), socket)),
    ...units
      .flatMap((unit) => sockets(unit, 'out'))
      .map((socket, i) => loom(socket, into(String(MONITOR + 1 + i)))),
    loom(out(run(firstSum, sums)), `${SUM} in ${run(1, sums)}`),
    loom(`${SUM} out left`, into(String(channels - 1))),
    loom(`${SUM} out right`, into(String(channels))),
  ];
}

/** Stems to the summing mixer in pairs, the mix back on the last two inputs. */
function tracksOf({ sums, firstSum, channels }: Sizes): string {
  const stems = numbersTo(sums / 2).map((n) => {
    const at = firstSum + 2 * (n - 1);
    return `STEM ${String(n)}\taudio\tstereo\t\t${String(at)}–${String(at + 1)}`;
  });
  const print = `PRINT\tprint\tstereo\t${String(channels - 1)}–${String(channels)}\t`;
  return ['Name\tKind\tWidth\tInput\tOutputs', ...stems, print].join('\n');
}

const mixBack = (side: 'left' | 'right', input: number): StarterLine => ({
  ...{ source: `Mix ${side}`, purpose: 'print', from: `${idOf(SUM)}/out-${side}/1` },
  ...{ crestDb: 14, trackName: 'PRINT', pins: { 'daw-input': `${idOf(HOST)}/input-${String(input)}` } },
});

/** Mixing out of the computer: stems over converters into a summing mixer, outboard as inserts. */
export const hybridRoom: Starter = {
  id: 'hybrid',
  name: 'Hybrid mixing room with a summing mixer',
  what: 'Stems leave the computer over 32 converter channels or more, are summed outside, and come back as a mix.',
  session: 'First mix',
  asks: ASKS,
  plan(answers) {
    const sizes = sizesOf(answers);
    const { channels, units, hasBay } = sizes;
    return {
      rooms: [{ id: ROOM, name: 'Mixing room' }],
      devices: devicesOf(sizes),
      looms: loomsOf(sizes),
      cords: hasBay ? patchCords(24) : [],
      lines: [
        ...insertLines(units, idOf(HOST), MONITOR + 1),
        mixBack('left', channels - 1),
        mixBack('right', channels),
      ],
      tracks: tracksOf(sizes),
      referenceDbu: 22,
      host: idOf(HOST),
    };
  },
};
