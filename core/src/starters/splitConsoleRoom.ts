import type { Answers, Ask, DeviceInput, Starter, StarterDevice, StarterLoom } from './starter';
import { count } from './starter';
import type { Sources } from './starterMicrophones';
import type { Unit } from './starterOutboard';
import { asked, idOf, joined, loom, patchCords, run, speakers, typical } from './starterGear';
import { micCables, microphones, onLines } from './starterMicrophones';
import { channelsOf, insertLines, sockets, unitAsks, unitsOf } from './starterOutboard';

const [CONTROL, LIVE] = ['control', 'live'];
const [HOST, DEVICE, DESK, LINES] = ['DAW', 'Converter', 'Console', 'Live room lines'];

const ASKS: readonly Ask[] = [
  {
    ...{ key: 'channels', kind: 'count', one: 'console channel', label: 'Channels of the console' },
    ...{ least: 8, most: 48, usual: 24 },
    why: 'As many converter channels are wired to it, out and back.',
  },
  {
    ...{ key: 'lines', kind: 'count', one: 'tie line', label: 'Mic lines from the live room' },
    ...{ least: 2, most: 48, usual: 16 },
    why: 'They come up on the first bay over the mic inputs of the console.',
  },
  {
    ...{ key: 'mics', kind: 'count', one: 'microphone', label: 'Microphones set up' },
    ...{ least: 1, most: 16, usual: 8 },
    why: 'Each is a line of the first session, as far as there are tie lines.',
  },
  ...unitAsks(
    { compressors: 8, equalisers: 4 },
    { compressors: 4, equalisers: 1 },
    {
      compressors: 'Their sockets come up on a bay without normals.',
      equalisers: 'Their sockets come up on the same bay.',
    },
  ),
];

interface Sizes {
  readonly channels: number;
  readonly ties: number;
  readonly mics: number;
  readonly units: readonly Unit[];
  readonly sources: Sources;
}

function sizesOf(answers: Answers): Sizes {
  const channels = count(answers, 'channels');
  const ties = count(answers, 'lines');
  const mics = Math.min(count(answers, 'mics'), ties, channels);
  const units = unitsOf(answers, CONTROL, 'Outboard rack');
  return { channels, ties, mics, units, sources: microphones(mics, LIVE) };
}

const bay = (name: string, params: DeviceInput['params']): StarterDevice =>
  asked(name, CONTROL, 'patchbay', params, 'Bays');

const baysOf = ({ channels, ties, units }: Sizes): readonly StarterDevice[] => [
  // On XLR: 48 V is on these jacks, and a plug that shorts while it goes in would short it.
  bay('Mic bay', { columns: Math.max(ties, channels), normalling: 'full', connector: 'xlr' }),
  bay('Record bay', { columns: channels, normalling: 'half' }),
  bay('Return bay', { columns: channels, normalling: 'half' }),
  bay('Insert bay', { columns: channels, normalling: 'half' }),
  ...(units.length > 0 ? [bay('Outboard bay', { columns: channelsOf(units), normalling: 'none' })] : []),
];

const devicesOf = (sizes: Sizes): readonly StarterDevice[] => [
  asked(LINES, LIVE, 'wallPanel', { lines: sizes.ties, returns: 0 }),
  asked(DESK, CONTROL, 'splitConsole', {
    ...{ channels: sizes.channels, groups: 8, auxes: 6, speakerSets: 1 },
  }),
  asked(DEVICE, CONTROL, 'converter', {
    ...{ adcs: sizes.channels, dacs: sizes.channels, initialReferenceDbu: 22 },
  }),
  typical(HOST, CONTROL, 'dawHost', { inputs: sizes.channels, outputs: sizes.channels }),
  ...sizes.units.map(({ device }) => device),
  ...speakers(CONTROL),
  ...baysOf(sizes),
  ...sizes.sources.devices,
];

function loomsOf({ channels, ties, units }: Sizes): readonly StarterLoom[] {
  const all = run(1, channels);
  return [
    ...joined(HOST, DEVICE, channels),
    loom(`${LINES} line ${run(1, ties)}`, `Mic bay ${run(1, ties)} upper`),
    loom(`Mic bay ${all} lower`, `${DESK} mic in ${all}`),
    loom(`${DESK} direct out ${all}`, `Record bay ${all} upper`),
    loom(`Record bay ${all} lower`, `${DEVICE} line in ${all}`),
    loom(`${DEVICE} line out ${all}`, `Return bay ${all} upper`),
    loom(`Return bay ${all} lower`, `${DESK} tape return ${all}`),
    loom(`${DESK} insert send ${all}`, `Insert bay ${all} upper`),
    loom(`Insert bay ${all} lower`, `${DESK} insert return ${all}`),
    ...units
      .flatMap((unit) => sockets(unit, 'out'))
      .map((socket, i) => loom(socket, `Outboard bay ${String(i + 1)} upper`)),
    ...units
      .flatMap((unit) => sockets(unit, 'in'))
      .map((socket, i) => loom(`Outboard bay ${String(i + 1)} lower`, socket)),
    loom(`${DESK} speakers 1 left`, 'Monitor left in'),
    loom(`${DESK} speakers 1 right`, 'Monitor right in'),
  ];
}

/** An analogue console that tracks on one side and listens back on the other, with bays between everything. */
export const splitConsoleRoom: Starter = {
  id: 'split-console',
  name: 'Analogue split-console room with bays and tie lines',
  what: 'A live room on tie lines, a console whose channels record and whose monitor side plays back, all of it on bays.',
  session: 'First recording',
  asks: ASKS,
  plan(answers) {
    const sizes = sizesOf(answers);
    const { channels, mics, units, sources } = sizes;
    // Units are tried on the numbers behind the microphones, as far as there are any.
    const fits = mics + channelsOf(units) <= channels;
    return {
      rooms: [
        { id: CONTROL, name: 'Control room' },
        { id: LIVE, name: 'Live room' },
      ],
      devices: devicesOf(sizes),
      looms: loomsOf(sizes),
      cords: [...patchCords(24 + 2 * channelsOf(units)), ...micCables(mics)],
      lines: [...onLines(sources.lines, LINES), ...(fits ? insertLines(units, idOf(HOST), mics + 1) : [])],
      referenceDbu: 22,
      host: idOf(HOST),
    };
  },
};
