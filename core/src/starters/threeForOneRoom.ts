import { numbersTo } from '../rig/catalogue/params';
import type { Answers, Ask, Starter, StarterDevice, StarterLoom } from './starter';
import { count } from './starter';
import type { Sources } from './starterMicrophones';
import {
  asked,
  following,
  idOf,
  joined,
  loom,
  master,
  monitored,
  monitors,
  run,
  typical,
} from './starterGear';
import { micCables, microphones, onLines } from './starterMicrophones';

const [CONTROL, LIVE] = ['control', 'live'];
const [HOST, DEVICE, DESK, LINES] = ['DAW', 'Converter', 'Desk', 'Live room lines'];
const LANES = 64;
/** Each bus is wired to three converter inputs: bus 1 to 1, 9 and 17. Common practice, no source. */
const TIMES = 3;

const ASKS: readonly Ask[] = [
  {
    ...{ key: 'mics', kind: 'count', one: 'mic input', label: 'Mic inputs of the console' },
    ...{ least: 2, most: 24, usual: 16 },
    why: 'As many channels record, and as many as the recorder has tracks play back.',
  },
  {
    ...{ key: 'buses', kind: 'count', one: 'bus', label: 'Buses to the recorder' },
    ...{ least: 2, most: 16, usual: 8 },
    why: 'Each feeds three recorder inputs: bus 1 of eight feeds 1, 9 and 17.',
  },
  {
    ...{ key: 'set', kind: 'count', one: 'microphone', label: 'Microphones set up' },
    ...{ least: 1, most: 16, usual: 6 },
    why: 'Each is a line of the first session on a bus of its own, as far as there are buses.',
  },
];

interface Sizes {
  readonly inputs: number;
  readonly buses: number;
  /** Inputs of the recorder. */
  readonly recorded: number;
  readonly set: number;
  readonly sources: Sources;
}

function sizesOf(answers: Answers): Sizes {
  const [inputs, buses] = [count(answers, 'mics'), count(answers, 'buses')];
  const set = Math.min(count(answers, 'set'), inputs, buses);
  return { inputs, buses, recorded: buses * TIMES, set, sources: microphones(set, LIVE) };
}

/** The desk leads the clock, and the converter follows over the link that plays back. */
const devicesOf = ({ inputs, buses, recorded, sources }: Sizes): readonly StarterDevice[] => [
  asked(LINES, LIVE, 'wallPanel', { lines: inputs, returns: 0 }),
  master(
    asked(DESK, CONTROL, 'digitalConsole', {
      ...{ channels: inputs + recorded, micInputs: inputs, lineOutputs: buses + 2, groups: buses },
      ...{ cards: 1, cardBlocks: 'each alone', channelBlocks: 'each alone', initialReferenceDbu: 22 },
    }),
  ),
  following(
    asked(DEVICE, CONTROL, 'audioInterface', {
      ...{ lineInputs: recorded, lineOutputs: 0, connector: 'db25', opticalLinks: 0, madiLinks: 1 },
      ...{ hostStreams: recorded, monitorMixes: 0, initialReferenceDbu: 22 },
    }),
    'madi-in-1',
  ),
  typical(HOST, CONTROL, 'dawHost', { inputs: recorded, outputs: recorded }),
  ...monitors(CONTROL),
  ...sources.devices,
];

const loomsOf = ({ inputs, buses, recorded }: Sizes): readonly StarterLoom[] => [
  ...joined(HOST, DEVICE, recorded),
  loom(`${LINES} line ${run(1, inputs)}`, `${DESK} mic in ${run(1, inputs)}`),
  loom(`${DESK} line out ${run(1, buses)}`, `${DEVICE} line in ${run(1, recorded)}`, 'repeat'),
  loom(`${DEVICE} madi out 1 ${run(1, LANES)}`, `${DESK} card in 1 ${run(1, LANES)}`),
  loom(`${DESK} card out 1 ${run(1, LANES)}`, `${DEVICE} madi in 1 ${run(1, LANES)}`),
  ...monitored(`${DESK} line out ${String(buses + 1)}`, `${DESK} line out ${String(buses + 2)}`),
];

/** A digital console that records by its buses: what is to be recorded is assigned to one, and armed on one of its three tracks. */
export const threeForOneRoom: Starter = {
  id: 'three-for-one',
  name: 'Split digital-console room with three-for-one buses',
  what: 'Channels record over a few buses, each wired to three recorder inputs; other channels play back.',
  session: 'First recording',
  asks: ASKS,
  plan(answers) {
    const sizes = sizesOf(answers);
    const { set, sources } = sizes;
    return {
      rooms: [
        { id: CONTROL, name: 'Control room' },
        { id: LIVE, name: 'Live room' },
      ],
      devices: devicesOf(sizes),
      looms: loomsOf(sizes),
      cords: micCables(set),
      lines: onLines(sources.lines, LINES).map((line, i) => ({
        ...line,
        pins: { ...line.pins, 'daw-input': `${idOf(HOST)}/input-${String(i + 1)}` },
      })),
      // Channel n records on bus n, and bus n leaves by line output n.
      knobs: Object.fromEntries(
        numbersTo(set).map((n) => [`${idOf(DESK)}/group${String(n)}/${String(n)}`, true]),
      ),
      referenceDbu: 22,
      host: idOf(HOST),
    };
  },
};
