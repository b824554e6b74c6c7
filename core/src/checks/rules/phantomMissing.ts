import { reach } from '../../graph/reach';
import type { Lane, SignalGraph } from '../../graph/signalGraph';
import type { PlannedThread, WorkedScene } from '../../scene/workedScene';
import { threadRefs } from '../../scene/places';
import { givesPower, powerRef } from '../../scene/poweredInputs';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** Outputs on a thread that work by 48 V alone: its microphone, a DI box on its way. */
const needy = ({ lanes }: SignalGraph, { start, path }: PlannedThread): readonly Lane[] =>
  [start, ...path.map(({ to }) => to)].flatMap((index) => {
    const lane = lanes[index];
    return lane?.output?.phantom === 'needs' ? [lane] : [];
  });

/** The inputs that can give 48 V to an output, and whether anything hangs on it at all. */
function suppliers(
  context: WorkedScene,
  output: Lane,
): { readonly isConnected: boolean; readonly inputs: readonly Lane[] } {
  const { graph } = context;
  const line = [...reach(graph, [output.index], 'from', 'power')].flatMap((lane) => graph.lanes[lane] ?? []);
  return {
    isConnected: line.some(({ input }) => input !== undefined),
    inputs: line.filter((lane) => givesPower(context, lane) !== undefined),
  };
}

function run(context: WorkedScene): readonly Finding[] {
  const users = new Map<Lane, PlannedThread[]>();
  for (const planned of context.threads)
    for (const lane of needy(context.graph, planned)) users.set(lane, [...(users.get(lane) ?? []), planned]);
  return [...users].flatMap(([lane, threads]): readonly Finding[] => {
    const { isConnected, inputs } = suppliers(context, lane);
    if (!isConnected || inputs.some((input) => givesPower(context, input) === true)) return [];
    const [supplier] = inputs;
    return [
      {
        rule: 'phantom-missing',
        at: [
          ...threadRefs(threads),
          ...(supplier === undefined ? [] : [powerRef(context, supplier)]),
          { kind: 'lane', id: lane.id },
        ],
        figures: { why: supplier === undefined ? 'nothing-gives-it' : 'switched-off', at: lane.id },
      },
    ];
  });
}

export const phantomMissing: Rule = {
  id: 'phantom-missing',
  title: '48 V is missing',
  severity: 'error',
  stage: 'track',
  why: 'A condenser, a ribbon with an amplifier inside or an active DI box without its 48 V gives nothing, or a thin and distorted sound.',
  limits:
    'What needs 48 V is what its data say, or what its kind usually needs; units with a battery or a supply of their own say so there. A line that leads nowhere yet is not reported.',
  run,
};
