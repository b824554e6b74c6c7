import { timecodeReaches } from '../../graph/timecodeReaches';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run({ rig, session, graph }: WorkedScene): readonly Finding[] {
  const console = rig.devices.find(({ id }) => id === session.automatedConsole);
  if (console === undefined) return [];
  return timecodeReaches(graph, console.id)
    ? []
    : [{ rule: 'timecode-missing', at: [{ kind: 'device', id: console.id }], figures: {} }];
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
