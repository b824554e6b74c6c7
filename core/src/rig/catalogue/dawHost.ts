import * as z from 'zod';
import type { Port, Route, Station } from '../deviceModel';
import { deviceType } from './deviceType';
import { channelCount, numbersTo } from './params';

const params = z.strictObject({
  inputs: channelCount(256).default(24),
  outputs: channelCount(256).default(24),
});

const port = (key: string, name: string, direction: 'in' | 'out', lanes: number, inside: boolean): Port => ({
  key,
  name,
  direction,
  medium: 'digital',
  lanes,
  connector: inside ? 'fixed' : 'host',
  face: inside ? 'inside' : 'rear',
});

/** The driver hands samples over a buffer at a time, so an input is one buffer late. */
const inputRoute = (channel: number): Route => ({
  from: { port: 'stream-in', lane: channel },
  to: { port: 'input', lane: channel },
  kind: 'active',
  gainDb: 0,
  delayBuffers: 1,
});

const inputStation = (channel: number): Station => ({
  key: `input-${channel}`,
  name: `input ${channel}`,
  role: 'daw-input',
  in: { port: 'stream-in', lane: channel },
  out: { port: 'input', lane: channel },
  channel,
});

export const dawHost = deviceType({
  type: 'dawHost',
  title: 'DAW host',
  what: 'The computer that records: numbered inputs and outputs on its audio driver.',
  params,
  build({ inputs, outputs }) {
    return {
      ports: [
        port('stream-in', 'stream in', 'in', inputs, false),
        port('input', 'input', 'out', inputs, true),
        port('stream-out', 'stream out', 'out', outputs, false),
      ],
      routes: numbersTo(inputs).map(inputRoute),
      stations: numbersTo(inputs).map(inputStation),
    };
  },
});
