import * as z from 'zod';
import type { Port, Route, Station } from '../../deviceModel';
import { deviceType } from '../deviceType';
import { channelCount, latencySamples, numbersTo } from '../params';
import { codedPort, insideLanes } from '../portKinds';
import { active, laneAt } from '../routeKinds';

const params = z.strictObject({
  inputs: channelCount(256).default(24),
  outputs: channelCount(256).default(24),
  /** What the driver adds to the buffer on the way out. */
  safetyOffsetSamples: latencySamples.default(0),
});

const stream = (direction: 'in' | 'out', lanes: number): Port =>
  codedPort(direction, { key: `stream-${direction}`, name: `stream ${direction}`, lanes, connector: 'host' });

/** The driver hands samples over a buffer at a time, so each way is one buffer late. */
const BUFFERED = { delayBuffers: 1 };
const inputRoute = (n: number): Route => active(laneAt('stream-in', n), laneAt('input', n), 0, BUFFERED);
const outputRoute = (n: number, safetyOffsetSamples: number): Route =>
  active(laneAt('output', n), laneAt('stream-out', n), 0, { ...BUFFERED, delaySamples: safetyOffsetSamples });

const inputStation = (n: number): Station => ({
  key: `input-${n}`,
  name: `input ${n}`,
  role: 'daw-input',
  in: laneAt('stream-in', n),
  out: laneAt('input', n),
  channel: n,
});

const outputStation = (n: number): Station => ({
  key: `output-${n}`,
  name: `output ${n}`,
  role: 'daw-output',
  in: laneAt('output', n),
  out: laneAt('stream-out', n),
  channel: n,
});

export const dawHost = deviceType({
  type: 'dawHost',
  title: 'DAW host',
  what: 'The computer that records: numbered inputs and outputs on its audio driver, and the session’s tracks between them.',
  params,
  build({ inputs, outputs, safetyOffsetSamples }) {
    return {
      ports: [
        stream('in', inputs),
        insideLanes('out', 'input', 'input', inputs, 'digital'),
        insideLanes('in', 'output', 'output', outputs, 'digital'),
        stream('out', outputs),
        codedPort('in', { key: 'timecode-in', name: 'timecode in', connector: 'xlr' }, 'timecode'),
      ],
      routes: [
        ...numbersTo(inputs).map(inputRoute),
        ...numbersTo(outputs).map((n) => outputRoute(n, safetyOffsetSamples)),
      ],
      stations: [...numbersTo(inputs).map(inputStation), ...numbersTo(outputs).map(outputStation)],
    };
  },
});
