import { numbersTo } from '../rig/catalogue/params';
import type { Answers, Ask, Starter, StarterDevice, StarterLine, StarterLoom } from './starter';
import { count } from './starter';
import type { Sources } from './starterMicrophones';
import { asked, idOf, joined, loom, monitored, monitors, typical } from './starterGear';
import { micCables, microphones } from './starterMicrophones';

const ROOM = 'room';
const [HOST, DEVICE, LOOPS] = ['DAW', 'Interface', 'Pedal loops'];
/** The line output that feeds the pedals, behind the two that are listened to. */
const SEND = 3;

const ASKS: readonly Ask[] = [
  {
    ...{ key: 'pedals', kind: 'count', one: 'pedal', label: 'Pedals, each in a loop of its own' },
    ...{ least: 1, most: 8, usual: 3 },
    why: 'The first session plays through the first of them.',
  },
  {
    ...{ key: 'mics', kind: 'count', one: 'mic input', label: 'Mic inputs on the interface besides' },
    ...{ least: 1, most: 8, usual: 2 },
    why: 'One more comes on top of them for the way back.',
  },
];

interface Sizes {
  readonly pedals: number;
  readonly mics: number;
  /** Mic inputs, the way back from the pedals last. */
  readonly inputs: number;
  readonly streams: number;
  readonly sources: Sources;
}

function sizesOf(answers: Answers): Sizes {
  const mics = count(answers, 'mics');
  const inputs = mics + 1;
  return {
    pedals: count(answers, 'pedals'),
    ...{ mics, inputs, streams: Math.max(inputs, SEND), sources: microphones(mics, ROOM) },
  };
}

const devicesOf = ({ pedals, inputs, streams, sources }: Sizes): readonly StarterDevice[] => [
  asked(DEVICE, ROOM, 'audioInterface', {
    ...{ micInputs: inputs, connector: 'xlr', lineInputs: 2, lineOutputs: SEND },
    ...{ opticalLinks: 0, hostStreams: streams, monitorMixes: 2, initialReferenceDbu: 18 },
  }),
  typical(HOST, ROOM, 'dawHost', { inputs: streams, outputs: streams }),
  typical('Re-amp box', ROOM, 'reampBox', { channels: 1 }),
  typical('DI box', ROOM, 'diBox', { channels: 1, kind: 'active', runsOn: 'battery or supply' }),
  asked(LOOPS, ROOM, 'loopSwitcher', { loops: pedals, level: 'instrument' }),
  ...numbersTo(pedals).map((n) => asked(`Pedal ${String(n)}`, ROOM, 'pedal', {}, 'Pedal board')),
  ...monitors(ROOM),
  ...sources.devices,
];

const loomsOf = ({ pedals, inputs, streams }: Sizes): readonly StarterLoom[] => [
  ...joined(HOST, DEVICE, streams),
  ...monitored(`${DEVICE} line out 1`, `${DEVICE} line out 2`),
  loom(`${DEVICE} line out ${String(SEND)}`, 'Re-amp box in 1'),
  loom('Re-amp box isolated out 1', `${LOOPS} in`),
  ...numbersTo(pedals).flatMap((n) => [
    loom(`${LOOPS} send ${String(n)}`, `Pedal ${String(n)} in`),
    loom(`Pedal ${String(n)} out`, `${LOOPS} return ${String(n)}`),
  ]),
  loom(`${LOOPS} out`, 'DI box in 1'),
  loom('DI box out 1', `${DEVICE} mic in ${String(inputs)}`),
];

/** Out by the third number and back by it, through the first pedal. */
const PEDALS: StarterLine = {
  ...{ source: 'Pedals', purpose: 'insert', from: `${idOf(HOST)}/output/${String(SEND)}` },
  ...{ inserts: [`${idOf('Pedal 1')}/channel-a`], crestDb: 14, trackName: 'PEDALS' },
};

/** Pedals in the loops of a switcher, as an insert of the host: there by a re-amp box, back by a DI box. */
export const pedalRoom: Starter = {
  id: 'pedals',
  name: 'Instrument pedals as inserts',
  what: 'A small room that plays tracks through pedals: out by a re-amp box, back by a DI box, each pedal in a loop of its own.',
  session: 'First pedal print',
  asks: ASKS,
  plan(answers) {
    const sizes = sizesOf(answers);
    return {
      rooms: [{ id: ROOM, name: 'Control room' }],
      devices: devicesOf(sizes),
      looms: loomsOf(sizes),
      cords: micCables(sizes.mics),
      lines: [...sizes.sources.lines, PEDALS],
      knobs: { [`${idOf(LOOPS)}/loopIn/1`]: true },
      referenceDbu: 18,
      host: idOf(HOST),
    };
  },
};
