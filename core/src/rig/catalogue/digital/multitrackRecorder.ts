import * as z from 'zod';
import type { Port, Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { onOff, selector } from '../knobs';
import { channelCount, numbersTo } from '../params';
import { codedPort, insideLanes } from '../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../routeKinds';
import { linkLane, linkPorts } from './digitalPreamp';

const MADI_LANES = 64;
/** What its outputs carry, by the position of the switch. */
export const OWN_RECORDING = 1;
export const THE_COMPUTER = 2;

const params = z.strictObject({
  tracks: channelCount(128).default(64),
  /** A driver towards a computer that records and plays the same tracks. */
  computer: z.boolean().default(true),
});
type RecorderParams = z.infer<typeof params>;

const stream = (direction: 'in' | 'out', lanes: number): Port =>
  codedPort(direction, {
    key: `stream-${direction}`,
    name: direction === 'out' ? 'to host' : 'from host',
    lanes,
    connector: 'host',
  });

/** What it records, and what leaves it, track by track. */
function trackRoutes({ computer }: RecorderParams, n: number, read: ReadSetting): readonly Route[] {
  const [comes, leaves] = [linkLane('in', 'madi', n, MADI_LANES), linkLane('out', 'madi', n, MADI_LANES)];
  const plays = Number(read('plays', 1));
  const knobs = knobsAt(1, 'plays');
  return [
    active(comes, laneAt('track', n), 0),
    ...(computer ? [active(comes, laneAt('stream-out', n), 0)] : []),
    ...(plays === OWN_RECORDING ? [crosspoint(laneAt('play', n), leaves, 0, { knobs })] : []),
    ...(plays === THE_COMPUTER ? [crosspoint(laneAt('stream-in', n), leaves, 0, { knobs })] : []),
  ];
}

export const multitrackRecorder = deviceType({
  type: 'multitrackRecorder',
  title: 'Multitrack recorder',
  what: 'Records what a console sends it over a digital link, track by track, and plays it back; a computer may record and play in its place.',
  params,
  settings: ({ tracks, computer }) => [
    selector(
      'plays',
      'Plays',
      1,
      ['its own recording', ...(computer ? ['the computer'] : [])],
      OWN_RECORDING,
    ),
    onOff('recordArm', 'Record arm', tracks),
  ],
  build(p, read) {
    const { tracks, computer } = p;
    return {
      ports: [
        ...linkPorts('in', 'madi', tracks, MADI_LANES, 'madi in'),
        ...linkPorts('out', 'madi', tracks, MADI_LANES, 'madi out'),
        ...(computer ? [stream('out', tracks), stream('in', tracks)] : []),
        codedPort('in', { key: 'clock-in', name: 'clock in', connector: 'bnc' }, 'clock'),
        insideLanes('in', 'track', 'records track', tracks, 'digital'),
        insideLanes('out', 'play', 'plays track', tracks, 'digital'),
      ],
      routes: numbersTo(tracks).flatMap((n) => trackRoutes(p, n, read)),
      stations: [],
    };
  },
});
