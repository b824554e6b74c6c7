import * as z from 'zod';
import { HALF_EACH_DB } from '../../../units/panLaw';
import type { Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { knob } from '../../sheets/cells';
import { channelSheet, section } from '../../sheets/channelSheet';
import { deviceType } from '../deviceType';
import { gainKnob, onOff } from '../knobs';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, copperPort } from '../portKinds';
import { active, knobsAt, laneAt, wire } from '../routeKinds';

const params = z.strictObject({
  outputs: channelCount(8).default(4),
  /** XLR where its line carries left on pin 2 and right on pin 3. */
  connector: z.enum(['trs', 'xlr']).default('trs'),
  /** All its volume controls together. Common practice, no source. */
  inputOhm: impedanceOhm.default(300),
  maxInputDbu: levelDbu.default(24),
  /** What stands in series with each pair. Common practice, no source. */
  outputOhm: impedanceOhm.default(47),
  leastLoadOhm: impedanceOhm.default(16),
});
type Params = z.infer<typeof params>;

const SIDES = ['left', 'right'] as const;
const RANGE = { min: -80, max: 0 } as const;
const VOLUME = { left: 'leftDb', right: 'rightDb' } as const;

function volumeRoutes(n: number, read: ReadSetting): readonly Route[] {
  const isMono = read('mono', 1) === true;
  return SIDES.flatMap((side, i) => {
    const volumeDb = Number(read(VOLUME[side], n));
    const knobs = [...knobsAt(n, VOLUME[side]), ...knobsAt(1, 'mono')];
    // In mono both inputs are on each side, at half their voltage.
    const from = isMono ? [1, 2] : [i + 1];
    return from.map((lane) =>
      active(laneAt('in', lane), laneAt(`phones-${n}`, i + 1), volumeDb + (isMono ? HALF_EACH_DB : 0), {
        knobs,
      }),
    );
  });
}

const stereoPort = (key: string, name: string, { connector }: Params) => ({
  ...{ key, name, lanes: 2, laneNames: SIDES.map((side) => `${name} ${side}`) },
  ...{ connector, face: 'front' as const },
});

export const headphoneJunction = deviceType({
  type: 'headphoneJunction',
  title: 'Headphone junction',
  what: 'A box without an amplifier: a stereo line in and through to the next box, and a volume for each pair. Volumes stay at zero until a level is heard.',
  params,
  settings: ({ outputs }) => [
    gainKnob('leftDb', 'Left volume', outputs, RANGE.min, RANGE),
    gainKnob('rightDb', 'Right volume', outputs, RANGE.min, RANGE),
    onOff('mono', 'Mono', 1),
  ],
  build: (p, read) => ({
    ports: [
      analogueIn('phones', stereoPort('in', 'in', p), { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu }),
      copperPort('out', stereoPort('through', 'through', p)),
      ...numbersTo(p.outputs).map((n) =>
        analogueOut('phones', stereoPort(`phones-${n}`, `phones ${n}`, { ...p, connector: 'trs' }), {
          sourceOhm: p.outputOhm,
          leastLoadOhm: p.leastLoadOhm,
        }),
      ),
    ],
    routes: [
      ...SIDES.map((_, i) => wire(laneAt('in', i + 1), laneAt('through', i + 1))),
      ...numbersTo(p.outputs).flatMap((n) => volumeRoutes(n, read)),
    ],
    stations: [],
  }),
  sheet: ({ outputs }) => ({
    ...channelSheet([
      section(
        'outputs',
        'Headphone outputs',
        numbersTo(outputs).map((n) => ({
          ...{ id: `phones-${n}`, name: `phones ${n}`, lane: laneAt(`phones-${n}`) },
          leaves: [laneAt(`phones-${n}`)],
          cells: { leftDb: knob('leftDb', n), rightDb: knob('rightDb', n) },
        })),
      ),
      section('unit', 'The box', [{ id: 'unit', name: 'all outputs', cells: { mono: knob('mono') } }]),
    ]),
    columns: SIDES.map((side) => ({
      ...{ id: VOLUME[side], title: side === 'left' ? 'Left' : 'Right', unit: 'dB', part: 'fader' as const },
      hint: 'Volume of this side',
    })),
  }),
});
