import * as z from 'zod';
import type { Port, Route, Station } from '../deviceModel';
import { deviceType } from './deviceType';
import { channelCount, numbersTo } from './params';

const params = z.strictObject({ lines: channelCount(96).default(8) });

const jack = (line: number): Port => ({
  key: `jack-${line}`,
  name: `line ${line}`,
  direction: 'in',
  medium: 'any',
  lanes: 1,
  connector: 'xlr',
  face: 'front',
});

const rear = (line: number): Port => ({
  key: `rear-${line}`,
  name: `line ${line} rear`,
  direction: 'out',
  medium: 'any',
  lanes: 1,
  connector: 'fixed',
  face: 'rear',
});

const through = (line: number): Route => ({
  from: { port: `jack-${line}`, lane: 1 },
  to: { port: `rear-${line}`, lane: 1 },
  kind: 'wire',
  gainDb: 0,
});

const station = (line: number): Station => ({
  key: `line-${line}`,
  name: `line ${line}`,
  role: 'room-jack',
  in: { port: `jack-${line}`, lane: 1 },
  out: { port: `rear-${line}`, lane: 1 },
  channel: line,
});

export const wallPanel = deviceType({
  type: 'wallPanel',
  title: 'Wall panel',
  what: 'Numbered jacks on a room’s wall, wired through to somewhere else.',
  params,
  build({ lines }) {
    const numbers = numbersTo(lines);
    return {
      ports: numbers.flatMap((line) => [jack(line), rear(line)]),
      routes: numbers.map(through),
      stations: numbers.map(station),
    };
  },
});
