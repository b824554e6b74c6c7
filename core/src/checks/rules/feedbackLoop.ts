import type { Loop } from '../../graph/loops';
import { loopsOf } from '../../graph/loops';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { EntityRef } from '../../session/entityRef';
import { laneIdAt } from '../../scene/places';
import type { Rule } from '../rule';

/** The tracks and devices a loop runs through, each once. */
function placesOf({ graph }: WorkedScene, loop: Loop): readonly EntityRef[] {
  const seen = new Map<string, EntityRef>();
  for (const edge of loop) {
    const device = graph.lanes[edge.to]?.device;
    const ref: EntityRef | undefined =
      edge.track !== undefined
        ? { kind: 'track', id: edge.track }
        : device === undefined
          ? undefined
          : { kind: 'device', id: device };
    if (ref !== undefined) seen.set(`${ref.kind} ${ref.id}`, ref);
  }
  return [...seen.values()];
}

const run = (context: WorkedScene): readonly Finding[] =>
  loopsOf(context.graph, context.field.order.loopEdges).map((loop) => ({
    rule: 'feedback-loop',
    at: placesOf(context, loop),
    figures: {
      lanes: loop.map(({ from }) => laneIdAt(context, from)),
      gainDb: loop.reduce((sum, { gainDb }) => sum + gainDb, 0),
    },
  }));

export const feedbackLoop: Rule = {
  id: 'feedback-loop',
  title: 'A signal comes back to itself',
  severity: 'error',
  stage: 'track',
  why: 'A loop with gain howls, at whatever level the outputs can give; a track that listens to its input and feeds the bus it records is the usual one.',
  limits:
    'Loops of gear and patch only; loudspeakers heard by microphones are not known. A loop of less than 0 dB rings instead of howling and is reported all the same.',
  run,
};
