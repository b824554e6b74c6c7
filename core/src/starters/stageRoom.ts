import { numbersTo } from '../rig/catalogue/params';
import type { Answers, Ask, Starter, StarterDevice, StarterKnobs, StarterLoom } from './starter';
import { count } from './starter';
import type { Sources } from './starterMicrophones';
import { asked, following, idOf, joined, loom, master, positionOf, run, typical } from './starterGear';
import { micCables, microphones } from './starterMicrophones';

const [STAGE, DESK_PLACE] = ['stage', 'desk'];
const [HOST, DEVICE, DESK, BOX] = ['Recorder', 'Recorder interface', 'Desk', 'Stagebox'];
const LANES = 64;
const BLOCK = 8;
/** Line outputs 1 and 2 of the stagebox feed the mains. */
const MAINS = 2;

const ASKS: readonly Ask[] = [
  {
    ...{ key: 'inputs', kind: 'count', one: 'stagebox input', label: 'Inputs of the stagebox' },
    ...{ least: 8, most: 48, usual: 24 },
    why: 'The desk gets as many channels, and the recorder as many tracks.',
  },
  {
    ...{ key: 'mics', kind: 'count', one: 'microphone', label: 'Microphones set up' },
    ...{ least: 1, most: 32, usual: 8 },
    why: 'Each is a line of the first session, as far as there are inputs.',
  },
  {
    ...{ key: 'wedges', kind: 'count', one: 'wedge', label: 'Wedges on stage' },
    ...{ least: 0, most: 8, usual: 4 },
    why: 'Each on a line output of the stagebox behind the two for the mains.',
  },
  {
    ...{ key: 'coarse', kind: 'switch', label: 'The desk patches its cards in blocks of eight', usual: true },
    why: 'Many desks move eight channels at a time; others each alone.',
  },
];

interface Sizes {
  readonly inputs: number;
  readonly mics: number;
  readonly wedges: number;
  readonly isCoarse: boolean;
  readonly sources: Sources;
}

function sizesOf(answers: Answers): Sizes {
  const inputs = count(answers, 'inputs');
  const mics = Math.min(count(answers, 'mics'), inputs);
  return {
    ...{ inputs, mics, wedges: count(answers, 'wedges') },
    isCoarse: answers['coarse'] === true,
    sources: microphones(mics, STAGE),
  };
}

/** The desk leads the clock; what hangs on its cards follows over the same link. */
const deskOf = ({ inputs, wedges, isCoarse }: Sizes): StarterDevice =>
  master(
    asked(DESK, DESK_PLACE, 'digitalConsole', {
      ...{ channels: inputs, micInputs: 0, lineOutputs: 0, cards: 2, groups: 0 },
      ...{ auxes: Math.max(BLOCK, wedges), cardBlocks: isCoarse ? 'blocks of 8' : 'each alone' },
    }),
  );

/** Loudspeakers are driven by amplifiers, so that they can be turned down while somebody patches. */
const loudspeakersOf = ({ wedges }: Sizes): readonly StarterDevice[] => [
  typical('Main amplifier', STAGE, 'powerAmp', { channels: MAINS }),
  typical('Main left', STAGE, 'loudspeaker', { powered: false, distanceM: 8 }),
  typical('Main right', STAGE, 'loudspeaker', { powered: false, distanceM: 8 }),
  ...(wedges > 0 ? [asked('Wedge amplifier', STAGE, 'powerAmp', { channels: wedges })] : []),
  ...numbersTo(wedges).map((n) =>
    asked(`Wedge ${String(n)}`, STAGE, 'loudspeaker', { powered: false, distanceM: 1.5 }),
  ),
];

const devicesOf = (sizes: Sizes): readonly StarterDevice[] => [
  following(
    asked(BOX, STAGE, 'stagebox', { inputs: sizes.inputs, outputs: MAINS + sizes.wedges }),
    'madi-in-1',
  ),
  deskOf(sizes),
  following(
    typical(DEVICE, DESK_PLACE, 'audioInterface', {
      ...{ lineInputs: 0, lineOutputs: 0, opticalLinks: 0, madiLinks: 1 },
      ...{ hostStreams: LANES, monitorMixes: 0, initialReferenceDbu: 18 },
    }),
    'madi-in-1',
  ),
  typical(HOST, DESK_PLACE, 'dawHost', { inputs: LANES, outputs: LANES }),
  ...loudspeakersOf(sizes),
  ...sizes.sources.devices,
];

const loomsOf = ({ wedges }: Sizes): readonly StarterLoom[] => {
  const all = run(1, LANES);
  return [
    ...joined(HOST, DEVICE, LANES),
    loom(`${BOX} madi out 1 ${all}`, `${DESK} card in 1 ${all}`),
    loom(`${DESK} card out 1 ${all}`, `${BOX} madi in 1 ${all}`),
    loom(`${DESK} card out 2 ${all}`, `${DEVICE} madi in 1 ${all}`),
    loom(`${DEVICE} madi out 1 ${all}`, `${DESK} card in 2 ${all}`),
    loom(`${BOX} out 1-2`, 'Main amplifier in 1-2'),
    loom('Main amplifier out 1', 'Main left in'),
    loom('Main amplifier out 2', 'Main right in'),
    ...(wedges > 0
      ? [loom(`${BOX} out ${run(MAINS + 1, wedges)}`, `Wedge amplifier in ${run(1, wedges)}`)]
      : []),
    ...numbersTo(wedges).map((n) => loom(`Wedge amplifier out ${String(n)}`, `Wedge ${String(n)} in`)),
  ];
};

/** The mix on lanes 1 and 2 to the stagebox, the auxes behind it; every microphone on a channel and in the mix. */
function knobsOf(sizes: Sizes): StarterKnobs {
  const desk = deskOf(sizes);
  const first = positionOf(desk, 'cardOutSource', 'mix left');
  const lanes = MAINS + sizes.wedges;
  const steps = sizes.isCoarse ? Math.ceil(lanes / BLOCK) : lanes;
  const knobs: Record<string, number | boolean> = {};
  for (const n of numbersTo(sizes.mics)) knobs[`${idOf(DESK)}/toMix/${String(n)}`] = true;
  for (const n of numbersTo(steps)) knobs[`${idOf(DESK)}/cardOutSource/${String(n)}`] = first + n - 1;
  return knobs;
}

/** A stage: everything comes in over the stagebox, is mixed at the desk, and recorded as it comes in. */
export const stageRoom: Starter = {
  id: 'stage',
  name: 'Stage with digital console, stagebox and recorder',
  what: 'A show: microphones go into a stagebox, a digital link leads to the desk, and a card carries every input to the recorder.',
  session: 'First show',
  asks: ASKS,
  plan(answers) {
    const sizes = sizesOf(answers);
    return {
      rooms: [
        { id: STAGE, name: 'Stage' },
        { id: DESK_PLACE, name: 'Desk place' },
      ],
      devices: devicesOf(sizes),
      looms: loomsOf(sizes),
      cords: micCables(sizes.mics),
      lines: sizes.sources.lines,
      knobs: knobsOf(sizes),
      referenceDbu: 18,
      host: idOf(HOST),
    };
  },
};
