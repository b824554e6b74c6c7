import type { CordId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run({ scene, graph, threads, insertRoundTrips }: WorkedScene): readonly Finding[] {
  const used = new Set<CordId | undefined>();
  for (const { path } of [...threads, ...insertRoundTrips]) for (const { cord } of path) used.add(cord);
  return scene.cords
    .filter(({ id, from, to }) => graph.laneIndex.has(from) && graph.laneIndex.has(to) && !used.has(id))
    .map(({ id }): Finding => ({ rule: 'orphan-cord', at: [{ kind: 'cord', id }], figures: {} }));
}

export const orphanCord: Rule = {
  id: 'orphan-cord',
  title: 'A cord no thread uses',
  severity: 'note',
  stage: 'track',
  why: 'A cord left over holds two jacks, breaks their normals, and is wondered at next month.',
  limits:
    'A cord patched by hand for something that is no thread is reported too: make it a thread, or waive it.',
  run,
};
