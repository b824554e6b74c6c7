import * as z from 'zod';
import type { Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { FADER_RANGE, gainKnob, selector } from '../knobs';
import { channelCount, gainDb, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, copperPort, insideLanes } from '../portKinds';
import { active, crosspoint, knobsAt, laneAt, wire } from '../routeKinds';

const params = z.strictObject({
  /** Sources the performer can mix, all on one multi-way connector. */
  channels: channelCount(24).default(8),
  gainDb: gainDb.default(10),
  inputOhm: impedanceOhm.default(47_000),
  maxInputDbu: levelDbu.default(24),
  outputOhm: impedanceOhm.default(10),
  /** The least load an output is made for; left out, 16 Ω. Common practice, no source. */
  leastLoadOhm: impedanceOhm.optional().meta({ typical: 16 }),
  maxOutputDbu: levelDbu.default(16),
  outputNoiseDbu: levelDbu.default(-85),
});

const SIDES = ['left', 'right', 'left and right'] as const;

function mixRoutes(channels: number, read: ReadSetting): readonly Route[] {
  return numbersTo(channels).flatMap((n) => {
    const side = Number(read('cueTo', n));
    return ([1, 2] as const)
      .filter((each) => side === each || side === 3)
      .map((each) =>
        crosspoint(laneAt('link-in', n), laneAt('mix', each), Number(read('cueDb', n)), {
          knobs: knobsAt(n, 'cueTo', 'cueDb'),
        }),
      );
  });
}

export const headphoneBox = deviceType({
  type: 'headphoneBox',
  title: 'Headphone box',
  what: 'A performer’s own mixer for headphones; its link goes on to the next box.',
  params,
  settings: ({ channels }) => [
    selector('cueTo', 'Heard', channels, SIDES, 3),
    gainKnob('cueDb', 'Level in the mix', channels, -12, FADER_RANGE),
    gainKnob('levelDb', 'Level', 1, -20, { min: -80, max: 0 }),
  ],
  build: (p, read) => ({
    ports: [
      analogueIn(
        'line',
        { key: 'link-in', name: 'link in', lanes: p.channels, connector: 'db25' },
        { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
      ),
      copperPort('out', { key: 'link-out', name: 'link out', lanes: p.channels, connector: 'db25' }),
      insideLanes('out', 'mix', 'mix', 2),
      analogueOut(
        'phones',
        {
          key: 'phones',
          name: 'phones',
          lanes: 2,
          laneNames: ['phones left', 'phones right'],
          connector: 'trs',
          face: 'front',
        },
        { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu, leastLoadOhm: p.leastLoadOhm ?? 16 },
      ),
    ],
    routes: [
      ...numbersTo(p.channels).map((n) => wire(laneAt('link-in', n), laneAt('link-out', n))),
      ...mixRoutes(p.channels, read),
      ...[1, 2].map((side) =>
        active(laneAt('mix', side), laneAt('phones', side), p.gainDb + Number(read('levelDb', 1)), {
          outputNoise: p.outputNoiseDbu,
          knobs: knobsAt(1, 'levelDb'),
        }),
      ),
    ],
    stations: [],
  }),
});
