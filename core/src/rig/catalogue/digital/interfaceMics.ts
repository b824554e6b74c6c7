import type { DeviceModel, Station } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import type { PreampFigures } from '../outboard/preampStage';
import { micInput, PREAMP_KNOBS, preampKnobs, preampParams, preampRoute } from '../outboard/preampStage';
import { countTo, numbersTo } from '../params';
import { insideLanes } from '../portKinds';
import { laneAt } from '../routeKinds';
import type { ConversionFigures } from './conversion';
import { adcRoute } from './conversion';

const { inputOhm, maxInputDbu, ...amplifier } = preampParams;

/** Mic inputs on the front of an interface, each with an amplifier and a converter of its own. */
export const interfaceMicParams = {
  micInputs: countTo(16).default(0),
  micInputOhm: inputOhm,
  maxMicInputDbu: maxInputDbu,
  ...amplifier,
};

type MicFigures = Omit<PreampFigures, 'inputOhm' | 'maxInputDbu'> & {
  readonly micInputs: number;
  readonly micInputOhm: number;
  readonly maxMicInputDbu: number;
};
type Figures = MicFigures & ConversionFigures;

const amplifierOf = ({ micInputOhm, maxMicInputDbu, ...others }: MicFigures): PreampFigures => ({
  ...others,
  inputOhm: micInputOhm,
  maxInputDbu: maxMicInputDbu,
});

export const interfaceMicKnobs = (p: MicFigures): readonly SettingSpec[] =>
  p.micInputs === 0 ? [] : preampKnobs(amplifierOf(p), p.micInputs);

const stationsOf = (n: number): readonly Station[] => [
  {
    ...{ key: `mic-${n}`, name: `mic ${n}`, role: 'preamp', channel: n, settings: PREAMP_KNOBS },
    in: laneAt(`mic-${n}`),
    out: laneAt('mic-amplified', n),
  },
  {
    ...{ key: `mic-adc-${n}`, name: `mic in ${n}`, role: 'converter', channel: n, settings: [] },
    in: laneAt('mic-amplified', n),
    out: laneAt('mic-adc', n),
  },
];

/** Mic inputs, amplifiers and their converters, whose full scale is fixed. */
export function interfaceMics(p: Figures, read: ReadSetting): DeviceModel {
  const numbers = numbersTo(p.micInputs);
  const figures = amplifierOf(p);
  if (numbers.length === 0) return { ports: [], routes: [], stations: [] };
  return {
    ports: [
      ...numbers.map((n) => micInput(figures, n, read, 'front')),
      insideLanes('out', 'mic-amplified', 'mic amplified', p.micInputs),
      insideLanes('out', 'mic-adc', 'mic converted', p.micInputs, 'digital'),
    ],
    routes: numbers.flatMap((n) => [
      preampRoute(figures, n, read, laneAt(`mic-${n}`), laneAt('mic-amplified', n)),
      {
        ...adcRoute(p, n, () => p.initialReferenceDbu, laneAt('mic-amplified', n), laneAt('mic-adc', n)),
        knobs: [],
      },
    ]),
    stations: numbers.flatMap(stationsOf),
  };
}
