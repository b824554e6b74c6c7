import type { WorkedScene } from '../../scene/workedScene';
import { entityName, namingOf } from '../../words/naming';
import { sourceRef } from '../../scene/places';
import { arrivalsAt, bySource, laneSum, togetherDb } from '../../levels/laneSum';
import { maxLevel } from '../../levels/maxLevel';
import { sumLanes } from '../../levels/sumLanes';
import type { StationRole } from '../../rig/deviceModel';
import type { LaneId } from '../../rig/ids';
import { peakOnSineScale } from '../../units/analogueLevel';
import { msFromSamples } from '../../units/duration';

/** A bus, summing input, converter or cue, and what everything makes there together. */
export interface SumRow {
  readonly lane: LaneId;
  readonly name: string;
  readonly device: string;
  readonly unit: 'dBu' | 'dBFS';
  readonly sources: number;
  /** Sources without a level or crest: they are not counted. */
  readonly unknown: number;
  readonly nominal?: number;
  /** Where copies of one sound are alike: the sum below a frequency. */
  readonly alike?: { readonly nominal: number; readonly belowHz: number };
  readonly peak?: number;
  readonly worstPeak?: number;
  readonly noise?: number;
  readonly max?: number;
  readonly headroomDb?: number;
}

function rowOf(context: WorkedScene, index: number): SumRow | undefined {
  const { graph, field, rig } = context;
  const lane = graph.lanes[index];
  if (lane === undefined) return undefined;
  const { sources, ...sum } = laneSum(field, index);
  const max = maxLevel(lane);
  return {
    lane: lane.id,
    name: lane.name,
    device: rig.devices.find(({ id }) => id === lane.device)?.name ?? lane.device,
    unit: lane.medium === 'digital' ? 'dBFS' : 'dBu',
    sources: sources.length,
    ...sum,
    ...(max !== undefined && { max }),
    ...(max !== undefined && sum.peak !== undefined && { headroomDb: max - sum.peak }),
  };
}

/** Inputs where ears are at the end. */
const phones = ({ graph, field }: WorkedScene): readonly number[] =>
  graph.lanes
    .filter(
      ({ medium, direction, index }) => medium === 'phones' && direction === 'in' && field.arrivals[index],
    )
    .map(({ index }) => index);

/** Connectors that several sounds reach together: converter channels and summing inputs. */
const MET: ReadonlySet<StationRole> = new Set(['converter', 'line-output', 'sum']);

function connectors({ graph, field }: WorkedScene): readonly number[] {
  return graph.stations
    .filter(({ role }) => MET.has(role))
    .map(({ role, in: into, out }) => (role === 'sum' ? into : out))
    .filter((lane) => bySource(arrivalsAt(field, lane)).size > 1);
}

/**
 * Every place of a scene where sounds come together or arrive together, and every pair of headphones: the least
 * room first.
 */
export const sumRows = (context: WorkedScene): readonly SumRow[] =>
  [...new Set([...sumLanes(context.graph, context.field), ...connectors(context), ...phones(context)])]
    .sort((a, b) => a - b)
    .flatMap((lane) => rowOf(context, lane) ?? [])
    .sort((a, b) => (a.headroomDb ?? Infinity) - (b.headroomDb ?? Infinity) || 0);

/** One source at a place: how loud it is there and how late. */
export interface Contribution {
  readonly name: string;
  readonly nominal?: number;
  readonly peak?: number;
  /** Change of level since the source, of all its ways together. */
  readonly gainDb: number;
  readonly ways: number;
  readonly delayMs: number;
}

/** What each source brings to a place, the loudest first. */
export function contributions(context: WorkedScene, lane: LaneId): readonly Contribution[] {
  const { graph, field, rig, session } = context;
  const naming = namingOf(rig, session, graph);
  const found = bySource(arrivalsAt(field, graph.laneIndex.get(lane) ?? -1));
  return [...found]
    .map(([index, ways]): Contribution => {
      const source = field.sources[index];
      const gainDb = togetherDb(ways, field.sampleRateHz).power;
      const level = source?.nominal === undefined ? undefined : source.nominal + gainDb;
      const first = Math.min(...ways.map(({ alignedSamples }) => alignedSamples));
      return {
        name: entityName(naming, sourceRef(context, source)),
        ...(level !== undefined && { nominal: level }),
        ...(level !== undefined &&
          source?.crestDb !== undefined && { peak: peakOnSineScale(level, source.crestDb) }),
        gainDb,
        ways: ways.length,
        delayMs: msFromSamples(first, session.sampleRateHz),
      };
    })
    .sort((a, b) => (b.nominal ?? -Infinity) - (a.nominal ?? -Infinity));
}
