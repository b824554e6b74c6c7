import type { Lane } from '../../graph/signalGraph';
import type { Medium } from '../../rig/medium';
import { isAnalogue } from '../../rig/medium';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import type { Rule } from '../rule';

type Box = Extract<FindingDetail, { rule: 'level-class' }>['figures']['box'];

/** The box that turns one kind of level into another. Common practice, no source. */
const BOX: readonly (readonly [Medium, Medium, Box])[] = [
  ['mic', 'line', 'preamp'],
  ['mic', 'instrument', 'preamp'],
  ['line', 'mic', 'pad'],
  ['line', 'instrument', 're-amp'],
  ['instrument', 'mic', 'di'],
  ['instrument', 'line', 'di'],
];

const boxFor = (from: Medium, into: Medium): Box =>
  BOX.find(([a, b]) => a === from && b === into)?.[2] ?? 'none';

/** Loudspeaker level has a rule of its own. */
const isJudged = ({ medium }: Lane): boolean => medium !== 'speaker' && isAnalogue(medium);

const clashes = (driver: Lane, input: Lane): boolean =>
  isAnalogue(input.medium) && driver.medium !== input.medium;

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return context.nets.flatMap((net) => {
    const driver = graph.lanes[net.driver];
    if (driver === undefined || !isJudged(driver)) return [];
    return net.loads.flatMap((index): Finding[] => {
      const input = graph.lanes[index];
      if (input === undefined || !clashes(driver, input)) return [];
      const threads = context.threads.filter(
        (planned) => planned.start === net.driver || planned.path.some((edge) => edge.from === net.driver),
      );
      return [
        {
          rule: 'level-class',
          at: [
            ...threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
            { kind: 'lane', id: driver.id },
            { kind: 'lane', id: input.id },
          ],
          figures: { from: driver.medium, into: input.medium, box: boxFor(driver.medium, input.medium) },
        },
      ];
    });
  });
}

export const levelClass: Rule = {
  id: 'level-class',
  title: 'Levels of different kinds joined',
  severity: 'error',
  stage: 'track',
  why: 'Mic, line, instrument and loudspeaker levels lie 30 to 60 dB apart and want different impedances; joined without the box between them, the signal is lost in noise or far over, and gear can be harmed.',
  limits:
    'Follows copper only: cords, wires, normals. What a device does inside is its catalogue entry’s word.',
  run,
};
