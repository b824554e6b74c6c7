import { isJackBayConnector } from '../../rig/connector';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return context.nets.flatMap((net): readonly Finding[] => {
    if (graph.lanes[net.driver]?.medium !== 'speaker') return [];
    const wrong = net.lanes.flatMap((lane): readonly ['input' | 'jack', number][] => {
      const at = graph.lanes[lane];
      if (at === undefined || lane === net.driver) return [];
      if (at.medium !== 'any') return at.medium === 'speaker' ? [] : [['input', lane]];
      return isJackBayConnector(at.connector) ? [['jack', lane]] : [];
    });
    const first = wrong.find(([into]) => into === 'input') ?? wrong[0];
    if (first === undefined) return [];
    return [
      {
        rule: 'loudspeaker-level-into-line',
        at: [
          ...threadRefs(threadsThrough(context, net.driver)),
          laneRef(context, net.driver),
          laneRef(context, first[1]),
        ],
        figures: { into: first[0] },
      },
    ];
  });
}

export const loudspeakerLevelIntoLine: Rule = {
  id: 'loudspeaker-level-into-line',
  title: 'Loudspeaker level where none belongs',
  severity: 'error',
  stage: 'track',
  why: 'A power amplifier delivers tens of volts and amperes. Into a line or mic input it destroys the input; on a jack bay a plug shorts its output on the way in.',
  limits:
    'Follows copper only. What stands between is not judged; a box made for the purpose is a device of its own.',
  run,
};
