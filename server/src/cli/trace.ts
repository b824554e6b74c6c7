import type { TraceOutput } from '@ft/contract/cliOutput';
import { compile } from '@ft/core/graph/compile';
import { pathsOf } from '@ft/core/graph/paths';
import type { Edge, SignalGraph } from '@ft/core/graph/signalGraph';
import { trace as traceLanes } from '@ft/core/graph/trace';
import { EDGE_WORDS } from '@ft/core/words/edgeWords';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import { laneNamed } from './laneNamed';
import type { CliRequest } from './request';
import { BadInput } from './badInput';

function hops(graph: SignalGraph, path: readonly Edge[]): TraceOutput['paths'][number] {
  const name = (index: number): { lane: string; name: string } => {
    const lane = graph.lanes[index];
    return { lane: lane?.id ?? '', name: lane?.name ?? '' };
  };
  const first = path[0];
  return first === undefined
    ? []
    : [name(first.from), ...path.map((edge) => ({ ...name(edge.to), kind: edge.kind }))];
}

const pathText = (path: TraceOutput['paths'][number]): string =>
  path
    .map(({ kind, name }) => `  ${(kind === undefined ? 'start' : EDGE_WORDS[kind]).padEnd(10)}${name}`)
    .join('\n');

/** `ft trace`: every path from, or to, a port. */
export function trace(request: CliRequest): Answer {
  const wanted = request.from ?? request.to;
  if (wanted === undefined) throw new BadInput('ft trace needs --from PORT or --to PORT.');
  const direction = request.from === undefined ? 'to' : 'from';
  const graph = compile(request.studio.rig, request.session, request.scene);
  const start = laneNamed(graph, wanted);
  const { paths, loops, cut } = pathsOf(graph, start.index, direction);
  const id = (index: number): string => graph.lanes[index]?.id ?? '';
  const json: TraceOutput = {
    format: 'faithful-thread-trace/1',
    ...headOf(request),
    direction,
    start: start.id,
    paths: paths.map((path) => hops(graph, path)),
    mults: traceLanes(graph, start.index, direction).mults.map(id),
    loops: loops.map((edge) => ({ from: id(edge.from), to: id(edge.to) })),
    cut,
  };
  const body = json.paths.map(
    (path, i) => `Path ${String(i + 1)} of ${String(paths.length)}\n${pathText(path)}`,
  );
  const none =
    paths.length === 0
      ? [`Nothing is connected ${direction === 'from' ? 'after' : 'before'} ${start.name}.`]
      : [];
  return { text: [titleOf(request), ...none, ...body].join('\n'), json, exitCode: 0 };
}
