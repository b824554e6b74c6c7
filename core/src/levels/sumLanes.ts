import type { SignalGraph } from '../graph/signalGraph';
import type { LevelField } from './levelField';

/** Whether something is added at a lane: more than one edge brings sound to it. */
export function isSum(graph: SignalGraph, field: LevelField, lane: number): boolean {
  const { start, edge: list } = graph.incoming;
  if ((start[lane + 1] ?? 0) - (start[lane] ?? 0) < 2) return false;
  let bringing = 0;
  for (let i = start[lane] ?? 0; i < (start[lane + 1] ?? 0); i++) {
    const edge = graph.edges[list[i] ?? -1];
    if (edge?.closed === true && field.arrivals[edge.from] !== undefined) bringing++;
  }
  return bringing > 1;
}

/** Lanes where something is added, in lane order. */
export function addingLanes(graph: SignalGraph, field: LevelField): readonly number[] {
  const adding: number[] = [];
  for (let lane = 0; lane < field.arrivals.length; lane++)
    if (field.arrivals[lane] !== undefined && isSum(graph, field, lane)) adding.push(lane);
  return adding;
}

/** The buses, summing inputs and mixes of a scene: lanes where several sounds come together, in lane order. */
export const sumLanes = (graph: SignalGraph, field: LevelField): readonly number[] =>
  addingLanes(graph, field).filter(
    (lane) => new Set(field.arrivals[lane]?.map(({ source }) => source)).size > 1,
  );
