import { rigMemo } from '../../graph/rigMemo';
import { trace } from '../../graph/trace';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

const timecodeInputs = rigMemo(({ lanes }) =>
  lanes.filter(({ medium, direction }) => medium === 'timecode' && direction === 'in'),
);

function run({ rig, session, graph }: WorkedScene): readonly Finding[] {
  const console = rig.devices.find(({ id }) => id === session.automatedConsole);
  if (console === undefined) return [];
  const reached = timecodeInputs(graph)
    .filter(({ device }) => device === console.id)
    .some(({ index }) =>
      trace(graph, index, 'to').lanes.some((lane) => {
        const at = graph.lanes[lane];
        return at?.direction === 'out' && at.medium === 'timecode';
      }),
    );
  return reached ? [] : [{ rule: 'timecode-missing', at: [{ kind: 'device', id: console.id }], figures: {} }];
}

export const timecodeMissing: Rule = {
  id: 'timecode-missing',
  title: 'Automation without timecode',
  severity: 'note',
  stage: 'mix',
  why: 'Console automation that does not follow the host’s timecode starts by hand, and is somewhere else on every pass.',
  limits:
    'Looks for copper from any timecode output to a timecode input of the console. Whether the formats agree is not known.',
  run,
};
