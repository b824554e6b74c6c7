import type { ClockDomain } from '../../timing/clockPlan';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function findingOf({ devices, masters }: ClockDomain): readonly Finding[] {
  const of = (kind: string) =>
    devices.filter(({ source }) => source.kind === kind).map(({ device }) => device);
  const [unsaid, nothing] = [of('unsaid'), of('nothing')];
  if (masters.length === 1 && unsaid.length === 0 && nothing.length === 0) return [];
  const concerned = [...masters, ...unsaid, ...nothing];
  const named = concerned.length > 0 ? concerned : devices.map(({ device }) => device);
  return [
    {
      rule: 'clock-masters',
      at: named.map((id) => ({ kind: 'device', id })),
      figures: { masters, unsaid, nothing },
    },
  ];
}

const run = ({ clocks }: WorkedScene): readonly Finding[] => clocks.domains.flatMap(findingOf);

export const clockMasters: Rule = {
  id: 'clock-masters',
  title: 'Not one clock',
  severity: 'error',
  stage: 'rig',
  why: 'Digital connections work only when all ends count samples together: one master, everybody else following. Two masters drift, and click every few seconds.',
  limits:
    'What a unit really follows is a switch on its front; here stands what was said on the Clock page, or what the connections suggest. Converters of sample rate are not known.',
  run,
};
