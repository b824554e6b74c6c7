import type { WorkedScene } from '../../scene/workedScene';
import { referenceOf } from '../../scene/referenceOf';
import { shortestWay } from '../../graph/shortestWay';
import type { GraphStation } from '../../graph/signalGraph';
import { numbersTo } from '../../rig/catalogue/params';
import { laneIdOf, stationIdOf } from '../../rig/ids';
import type { StationRole } from '../../rig/deviceModel';
import type { StationId } from '../../rig/ids';
import { TOLERANCE } from '../../units/tolerance';

/** Zero on a VU meter, dBu (IEC 60268-17). */
export const ZERO_VU_DBU = 4;
/** The tone of the line-up, Hz. */
export const TONE_HZ = 1000;

/** One channel to be lined up: a tone goes in, something is to be read. */
export interface LineUpRow {
  readonly station: StationId;
  readonly device: string;
  readonly name: string;
  /** `output`: digital in, analogue out. `input`: the reverse. `console`: analogue through. */
  readonly kind: 'output' | 'input' | 'console';
  readonly send: number;
  readonly sendUnit: 'dBFS' | 'dBu';
  readonly expect: number;
  readonly expectUnit: 'dBFS' | 'dBu';
  /** What a VU meter shows there, where it is analogue. */
  readonly vu?: number;
  readonly read?: number;
  /** Read less expected. */
  readonly errorDb?: number;
  /** Whether the error is worth a screwdriver. */
  readonly isOff?: boolean;
}

const KINDS: Readonly<Partial<Record<StationRole, LineUpRow['kind']>>> = {
  'line-output': 'output',
  converter: 'input',
  sum: 'console',
};

/** What the crosspoints behind a console input do to a tone: the gain of its own channel. */
function throughDb({ graph }: WorkedScene, station: GraphStation): number | undefined {
  const { start, edge: list } = graph.outgoing;
  for (let i = start[station.in] ?? 0; i < (start[station.in + 1] ?? 0); i++) {
    const edge = graph.edges[list[i] ?? -1];
    if (edge?.closed === true && edge.to === station.out) return edge.gainDb;
  }
  return undefined;
}

function toneOf(
  context: WorkedScene,
  station: GraphStation,
): Pick<LineUpRow, 'kind' | 'send' | 'sendUnit' | 'expect' | 'expectUnit' | 'vu'> | undefined {
  const kind = KINDS[station.role];
  const { dbfs, dbu } = context.session.lineUp;
  if (kind === undefined) return undefined;
  if (kind === 'console') {
    const gainDb = throughDb(context, station);
    if (gainDb === undefined) return undefined;
    const expect = dbu + gainDb;
    return { kind, send: dbu, sendUnit: 'dBu', expect, expectUnit: 'dBu', vu: expect - ZERO_VU_DBU };
  }
  const referenceDbu = referenceOf(context, station);
  if (referenceDbu === undefined) return undefined;
  if (kind === 'input')
    return { kind, send: dbu, sendUnit: 'dBu', expect: dbu - referenceDbu, expectUnit: 'dBFS' };
  const expect = dbfs + referenceDbu;
  return { kind, send: dbfs, sendUnit: 'dBFS', expect, expectUnit: 'dBu', vu: expect - ZERO_VU_DBU };
}

/** Off by more than this is worth turning, dB. Common practice, no source. */
const WORTH_TURNING_DB = 0.2;

function told(read: number, expected: number): Pick<LineUpRow, 'read' | 'errorDb' | 'isOff'> {
  const errorDb = read - expected;
  return { read, errorDb, isOff: Math.abs(errorDb) > WORTH_TURNING_DB + TOLERANCE.levelDb };
}

/** A row before anything was read. */
type Tone = Omit<LineUpRow, 'read' | 'errorDb' | 'isOff'>;

/**
 * Channels of a split console that listen to their line input: in at the line input, read at the direct out.
 * A channel that listens to its microphone has no tone to expect.
 */
function consoleTones({ graph, rig, session }: WorkedScene): readonly Tone[] {
  const { dbu } = session.lineUp;
  return rig.devices
    .filter(({ type }) => type === 'splitConsole')
    .flatMap(({ id, name, params }) =>
      numbersTo(Number(params['channels'])).flatMap((n): readonly Tone[] => {
        const [from, to] = ['line', 'direct'].map((port) =>
          graph.laneIndex.get(laneIdOf(id, `${port}-${n}`, 1)),
        );
        if (from === undefined || to === undefined) return [];
        const { path, arrives } = shortestWay(graph, from, to);
        if (!arrives) return [];
        const expect = dbu + path.reduce((sum, { gainDb }) => sum + gainDb, 0);
        return [
          {
            ...{
              station: stationIdOf(id, `line-${n}`),
              device: name,
              name: `${name} line in ${n}`,
              kind: 'console',
            },
            ...{ send: dbu, sendUnit: 'dBu', expect, expectUnit: 'dBu', vu: expect - ZERO_VU_DBU },
          },
        ];
      }),
    );
}

function stationTones(context: WorkedScene): readonly Tone[] {
  const { graph, devices } = context;
  return graph.stations.flatMap((station) => {
    const tone = toneOf(context, station);
    const device = devices.get(station.device)?.name ?? station.device;
    return tone === undefined ? [] : [{ station: station.id, device, name: station.name, ...tone }];
  });
}

/**
 * The line-up sheet of a scene: for every converter channel, console channel and summing input the tone to
 * send, what is to be read with nothing loading it, and what was read last time.
 */
export function lineUpSheet(context: WorkedScene): readonly LineUpRow[] {
  const readings = new Map(context.session.readings.map(({ id, level }) => [id, level]));
  return [...stationTones(context), ...consoleTones(context)].map((tone) => {
    const read = readings.get(tone.station);
    return { ...tone, ...(read !== undefined && told(read, tone.expect)) };
  });
}
