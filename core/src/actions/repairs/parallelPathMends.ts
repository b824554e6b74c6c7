import { insertUncompensated } from '../../checks/rules/insertUncompensated';
import type { Finding } from '../../checks/finding';
import { sourceRef } from '../../scene/places';
import type { Edge } from '../../graph/signalGraph';
import { reach } from '../../graph/reach';
import { stationStartingAt } from '../../graph/stationStartingAt';
import type { SettingKey } from '../../rig/settings';
import { settingKeyOf } from '../../rig/settings';
import type { Bench, Repair } from './repair';
import { single, turned } from './repair';
import { insertDelay } from './sessionMends';

/** A polarity switch on the way of a sound. */
interface Switch {
  readonly key: SettingKey;
  readonly name: string;
}

function switchesOf({ context: { graph } }: Bench, edge: Edge): readonly Switch[] {
  const lane = graph.lanes[edge.from];
  if (lane === undefined) return [];
  const name = stationStartingAt(graph).get(edge.from)?.name ?? lane.name;
  return (edge.knobs ?? [])
    .filter(({ setting }) => setting === 'invert')
    .map(({ setting, channel }) => ({ key: settingKeyOf(lane.device, setting, channel), name }));
}

/** The polarity switches a sound passes on its way to a lane by one last edge. */
function onTheWay(bench: Bench, downstream: ReadonlySet<number>, last: number): readonly Switch[] {
  const { graph } = bench.context;
  const from = graph.edges[last]?.from;
  if (from === undefined) return [];
  const upstream = reach(graph, [from], 'to');
  const passed = graph.edges.filter(
    (edge) =>
      edge.index === last ||
      (edge.closed && edge.knobs !== undefined && upstream.has(edge.to) && downstream.has(edge.from)),
  );
  return passed.flatMap((edge) => switchesOf(bench, edge));
}

/** Turns a polarity switch that one of the ways passes and not all of them do. */
export function turnPolarity(bench: Bench, finding: Finding): readonly Repair[] {
  const { context } = bench;
  const { graph, field, scene } = context;
  const parallel = field.parallelPaths.find(({ lane, source }) => {
    const of = sourceRef(context, field.sources[source]);
    return (
      finding.at.some(({ id }) => id === of.id) && finding.at.some(({ id }) => id === graph.lanes[lane]?.id)
    );
  });
  const source = field.sources[parallel?.source ?? -1];
  if (parallel === undefined || source === undefined) return [];
  const downstream = reach(graph, [source.lane], 'from');
  const ways = parallel.ways.map(({ edge }) => onTheWay(bench, downstream, edge));
  const own = new Map(ways.flat().map((each) => [each.key, each]));
  return [...own.values()]
    .filter(({ key }) => !ways.every((way) => way.some((each) => each.key === key)))
    .flatMap(({ key, name }) =>
      single(`Turn the polarity at ${name}`, [turned(bench, key, scene.settings[key] !== true)]),
    );
}

/** What comes back late from a hardware insert meets what did not go there: the host is told how late. */
export const combOfInserts = (bench: Bench): readonly Repair[] =>
  insertUncompensated
    .run(bench.context)
    .flatMap((late) => (late.rule === 'insert-uncompensated' ? insertDelay(bench, late.figures, late) : []));
