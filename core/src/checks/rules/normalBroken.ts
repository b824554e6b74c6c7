import type { CordId } from '../../rig/ids';
import type { Edge } from '../../graph/signalGraph';
import { realise } from '../../routing/realise';
import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The opened normals on the way the thread would take if no normal were open. */
function missedNormals({ graph }: WorkedScene, planned: PlannedThread): readonly Edge[] {
  const ifAllHeld = realise(graph, planned.thread, (edge) => edge.closed || edge.kind === 'normal');
  return ifAllHeld.complete ? ifAllHeld.path.filter((edge) => !edge.closed) : [];
}

/** The jack and cord that hold a normal open, other than the thread's own cords. */
function breaker(
  { graph, scene }: WorkedScene,
  normal: Edge,
  own: PlannedThread,
): { jack: number; cord: CordId } | undefined {
  for (const jack of normal.openedBy) {
    const id = graph.plugAt.get(jack);
    const cord = scene.cords.find((candidate) => candidate.id === id);
    if (cord !== undefined && cord.thread !== own.thread.id) return { jack, cord: cord.id };
  }
  return undefined;
}

function run(context: WorkedScene): readonly Finding[] {
  const { graph, threads } = context;
  return threads.flatMap((planned) => {
    if (planned.complete) return [];
    return missedNormals(context, planned).flatMap((normal): Finding[] => {
      const found = breaker(context, normal, planned);
      const [from, to, jack] = [normal.from, normal.to, found?.jack ?? -1].map(
        (lane) => graph.lanes[lane]?.id,
      );
      if (found === undefined || from === undefined || to === undefined || jack === undefined) return [];
      return [
        {
          rule: 'normal-broken',
          at: [
            { kind: 'thread', id: planned.thread.id },
            { kind: 'cord', id: found.cord },
            { kind: 'lane', id: jack },
          ],
          figures: { normalFrom: from, normalTo: to, jack },
        },
      ];
    });
  });
}

export const normalBroken: Rule = {
  id: 'normal-broken',
  title: 'A cord breaks a normal in use',
  severity: 'warning',
  stage: 'track',
  why: 'A plug in a normalled jack silently takes away whatever ran through that normal.',
  limits:
    'Reported for threads that would run complete if the normal held. A thread that has already been routed another way no longer relies on it.',
  run,
};
