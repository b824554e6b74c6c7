import type { SignalGraph } from '../graph/signalGraph';
import type { LaneId } from '../rig/ids';
import type { SettingKey } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { FloorCord } from '../session/floorSchema';
import { Lines } from './lines';
import type { CordStep } from './step';

/** The 48 V switch of an input, where it has one. */
function switchOf({ lanes }: SignalGraph, lane: number): readonly SettingKey[] {
  const { device, input } = lanes[lane] ?? {};
  return device === undefined || input?.phantom === undefined
    ? []
    : [settingKeyOf(device, input.phantom.setting, input.phantom.channel)];
}

/** Does one step, and looks at the lines of the jacks a hand is at: before it, while a plug is in the air, after it. */
function doStep(lines: Lines, step: CordStep, look: (jacks: readonly LaneId[]) => void): void {
  if (step.kind === 'plug') {
    const { from, to } = step.becomes;
    look([from, to]);
    lines.plugIn(from);
    lines.plugIn(to);
    lines.join(step.becomes);
    look([from, to]);
    return;
  }
  const { id, to } = step.cord;
  if (step.kind === 'pull') {
    look([id, to]);
    lines.pullOut(id);
    lines.pullOut(to);
    look([id, to]);
    return;
  }
  const jacks = [step.end === 'from' ? id : to, step.becomes[step.end]] as const;
  look(jacks);
  lines.pullOut(jacks[0]);
  look(jacks);
  lines.plugIn(jacks[1]);
  lines.join(step.becomes);
  look(jacks);
}

/**
 * All 48 V switches that reach a line at the moment a plug is pulled from it or put into it, in the order of
 * their keys. Each step is judged on what the steps before it have left, normals that close and open included.
 * @param graph the floor's.
 */
export function switchesTouched(
  graph: SignalGraph,
  floor: readonly FloorCord[],
  steps: readonly CordStep[],
): readonly SettingKey[] {
  const lines = new Lines(
    graph,
    floor.map(({ id, to }) => ({ from: id, to })),
  );
  const touched = new Set<SettingKey>();
  for (const step of steps)
    doStep(lines, step, (jacks) => {
      for (const jack of jacks)
        for (const lane of lines.at(jack)) for (const key of switchOf(graph, lane)) touched.add(key);
    });
  return [...touched].sort();
}
