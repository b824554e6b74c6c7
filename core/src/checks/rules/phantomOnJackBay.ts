import { isJackBayConnector } from '../../rig/connector';
import { edgesInto } from '../../graph/walk';
import { reach } from '../../graph/reach';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { poweredInputs, powerLine } from '../../scene/poweredInputs';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return poweredInputs(context).flatMap(({ lane: input, ref }): Finding[] => {
    // Whatever listens beside the line, as at the upper jack of a half normal, has 48 V on its plug as well.
    const line = reach(graph, powerLine(graph, input.index), 'from', 'power');
    const cords = [...line].flatMap((lane) => edgesInto(graph, lane).filter(({ kind }) => kind === 'cord'));
    const onJackBay = cords.filter((edge) => {
      const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
      return [from, to].some((lane) => lane?.medium === 'any' && isJackBayConnector(lane.connector));
    });
    if (onJackBay.length === 0) return [];
    const jacks = onJackBay
      .flatMap((edge) => [edge.from, edge.to])
      .flatMap((lane) => graph.lanes[lane]?.id ?? []);
    const threads = context.threads.filter((thread) =>
      thread.stations.some((passed) => passed.in === input.index),
    );
    return [
      {
        rule: 'phantom-on-jack-bay',
        at: [
          ...threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
          ref,
          ...onJackBay.flatMap((edge) =>
            edge.cord === undefined ? [] : [{ kind: 'cord', id: edge.cord } as const],
          ),
        ],
        figures: { jacks },
      },
    ];
  });
}

export const phantomOnJackBay: Rule = {
  id: 'phantom-on-jack-bay',
  title: '48 V on a jack bay',
  severity: 'error',
  stage: 'track',
  why: 'A jack plug touches tip, ring and sleeve in turn as it goes in. With 48 V on the line that shorts one leg of the supply, which thumps and can harm microphones, inputs and ears on headphones.',
  limits:
    'A line that passes a bay only by its normal has no plug in a front jack and is not reported; never patch it while 48 V is on either. XLR bays are not reported.',
  run,
};
