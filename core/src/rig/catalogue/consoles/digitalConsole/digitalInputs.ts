import type { Port, Route, Station } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { adcRoute } from '../../digital/conversion';
import { onOff } from '../../knobs';
import { micInput, PREAMP_KNOBS, preampKnobs, preampRoute } from '../../outboard/preampStage';
import { numbersTo } from '../../params';
import { analogueIn, analogueOut, insideLanes } from '../../portKinds';
import { knobsAt, laneAt } from '../../routeKinds';
import { insertRoutes } from '../insertPoint';
import type { DeskParams } from './digitalParams';

/** Mic inputs that have an insert point: the first ones. */
export const insertedInputs = ({ insertPoints, micInputs }: DeskParams): readonly number[] =>
  numbersTo(Math.min(insertPoints, micInputs));

export const deskInputKnobs = (p: DeskParams): readonly SettingSpec[] => [
  ...(p.micInputs > 0 ? preampKnobs(p, p.micInputs) : []),
  ...(insertedInputs(p).length > 0 ? [onOff('insertIn', 'Insert in', insertedInputs(p).length, true)] : []),
];

/** Insert points at line level, on a jack each way. Common practice, no source. */
function insertPorts(p: DeskParams): readonly Port[] {
  const numbers = insertedInputs(p);
  if (numbers.length === 0) return [];
  return [
    ...numbers.flatMap((n) => [
      analogueOut(
        'line',
        { key: `insert-send-${n}`, name: `insert send ${n}`, connector: 'trs' },
        { sourceOhm: p.outputOhm },
      ),
      analogueIn(
        'line',
        { key: `insert-return-${n}`, name: `insert return ${n}`, connector: 'trs' },
        { loadOhm: p.inputOhm },
      ),
    ]),
    insideLanes('out', 'inserted', 'after insert', numbers.length),
  ];
}

export const deskInputPorts = (p: DeskParams, read: ReadSetting): readonly Port[] => [
  ...numbersTo(p.micInputs).map((n) => micInput(p, n, read)),
  ...insertPorts(p),
];

/** Amplifier, insert point where there is one, converter. */
function inputRoutes(p: DeskParams, n: number, read: ReadSetting): readonly Route[] {
  const amplified = laneAt('amplified', n);
  const amplifier = preampRoute(p, n, read, laneAt(`mic-${n}`), amplified);
  if (n > insertedInputs(p).length) return [amplifier, adcRoute(p, n, read, amplified, laneAt('adc', n))];
  const after = laneAt('inserted', n);
  const insert = insertRoutes({
    before: amplified,
    send: laneAt(`insert-send-${n}`),
    back: laneAt(`insert-return-${n}`),
    after,
    switchedIn: read('insertIn', n) === true,
    knobs: knobsAt(n, 'insertIn'),
  });
  return [amplifier, ...insert, adcRoute(p, n, read, after, laneAt('adc', n))];
}

export const deskInputRoutes = (p: DeskParams, read: ReadSetting): readonly Route[] =>
  numbersTo(p.micInputs).flatMap((n) => inputRoutes(p, n, read));

export const deskInputStations = (p: DeskParams): readonly Station[] =>
  numbersTo(p.micInputs).map((n): Station => ({
    key: `mic-${n}`,
    name: `mic ${n}`,
    role: 'preamp',
    in: laneAt(`mic-${n}`),
    out: laneAt('amplified', n),
    channel: n,
    settings: PREAMP_KNOBS,
  }));
