import type { BLOCKS } from './digitalParams';
import type { LaneKey } from '../../../deviceModel';
import type { Crossbar, Tap } from '../../digital/crossbar';
import { linkLane } from '../../digital/digitalPreamp';
import { numbersTo } from '../../params';
import { laneAt } from '../../routeKinds';
import type { DeskParams } from './digitalParams';
import { returnLane } from './digitalSends';

type Blocks = (typeof BLOCKS)[number];

/** A card carries one MADI link each way. */
export const CARD_LANES = 64;

const blockSize = (blocks: Blocks, all: number): number =>
  blocks === 'each alone' ? 1 : blocks === 'blocks of 8' ? 8 : Math.max(all, 1);

const taps = (name: string, count: number, port: string): readonly Tap[] =>
  numbersTo(count).map((n) => ({ name: `${name} ${n}`, lane: laneAt(port, n) }));

const cardTaps = (p: DeskParams, direction: 'in' | 'out'): readonly Tap[] =>
  numbersTo(p.cards * CARD_LANES).map((n) => ({
    name: `card ${direction} ${n}`,
    lane: linkLane(direction, 'madi', n, CARD_LANES),
  }));

/** Pads a bank to whole blocks, so that the next bank begins a block of its own. */
function bank(own: readonly Tap[], block: number): readonly Tap[] {
  const missing = (block - (own.length % block)) % block;
  const last = own.at(-1);
  return last === undefined ? [] : [...own, ...Array.from({ length: missing }, () => last)];
}

const physicalInputs = (p: DeskParams, block: number): readonly Tap[] => [
  ...bank(taps('local in', p.micInputs, 'adc'), block),
  ...bank(cardTaps(p, 'in'), block),
];

const buses = (p: DeskParams): readonly Tap[] => [
  { name: 'mix left', lane: laneAt('mix-fader', 1) },
  { name: 'mix right', lane: laneAt('mix-fader', 2) },
  ...taps('group', p.groups, 'group-fader'),
  ...taps('aux', p.auxes, 'aux-fader'),
  ...taps('matrix', p.matrices, 'matrix-fader'),
];

const leftAndRight = (name: string, left: LaneKey, right: LaneKey): readonly Tap[] => [
  { name: `${name} left`, lane: left },
  { name: `${name} right`, lane: right },
];

/** What a stereo return can take in, pair by pair: the effects, then the inputs. */
const returnSources = (p: DeskParams): readonly Tap[] => [
  ...numbersTo(p.effects).flatMap((k) =>
    leftAndRight(`effect ${k}`, laneAt('effect-out', k), laneAt('effect-right', k)),
  ),
  ...physicalInputs(p, 2),
];

/**
 * The patch pages of the console: what its channels, effects, line outputs and cards listen to. Nothing
 * is connected at first.
 */
// eslint-disable-next-line max-lines-per-function -- a literal table, one entry a page of the console
export function deskCrossbars(p: DeskParams): readonly Crossbar[] {
  const nothing = (): number => 0;
  const channelBlock = blockSize(p.channelBlocks, p.channels);
  const cardBlock = blockSize(p.cardBlocks, CARD_LANES);
  const direct = taps('direct out', p.channels, 'fader');
  const bars: readonly Crossbar[] = [
    {
      setting: 'channelSource',
      title: 'Channel listens to',
      sources: [
        ...physicalInputs(p, channelBlock),
        ...bank(taps('effect return', p.effects, 'effect-out'), channelBlock),
      ],
      destinations: taps('channel', p.channels, 'channel'),
      block: channelBlock,
      initial: nothing,
    },
    {
      setting: 'effectSource',
      title: 'Effect listens to',
      sources: buses(p),
      destinations: taps('effect', p.effects, 'effect-in'),
      block: 1,
      initial: nothing,
    },
    {
      setting: 'returnSource',
      title: 'Return listens to',
      sources: returnSources(p),
      destinations: numbersTo(p.stereoReturns).flatMap((r) =>
        leftAndRight(`return ${r}`, returnLane('return', r, 1), returnLane('return', r, 2)),
      ),
      block: 2,
      initial: nothing,
    },
    {
      setting: 'lineOutSource',
      title: 'Line output plays',
      sources: [...buses(p), ...direct],
      destinations: taps('line out', p.lineOutputs, 'dac'),
      block: 1,
      initial: nothing,
    },
    {
      setting: 'cardOutSource',
      title: 'Card output carries',
      sources: [...bank(direct, cardBlock), ...physicalInputs(p, cardBlock), ...bank(buses(p), cardBlock)],
      destinations: cardTaps(p, 'out'),
      block: cardBlock,
      initial: nothing,
    },
  ];
  return bars.filter(({ destinations }) => destinations.length > 0);
}
