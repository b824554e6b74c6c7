import type { RouteOutput } from '@ft/contract/cliOutput';
import { namingOf } from '@ft/core/words/naming';
import { obstacleSentence } from '@ft/core/words/obstacleWording';
import { applyChange } from '@ft/core/edits/change';
import { compile } from '@ft/core/graph/compile';
import { movementsOf } from '@ft/core/views/routing/movements';
import { routeEdits } from '@ft/core/actions/track/threadEdits';
import { route as routeThreads } from '@ft/core/routing/route';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';
import { writeBundleFile } from './writeBundleFile';

/** Writes the bundle with the scene routed. */
function write({ studio, session, scene, out }: CliRequest): void {
  if (out === undefined) return;
  const result = applyChange(studio, routeEdits(studio, { session: session.id, scene: scene.id }));
  if (!result.ok) throw new Error('the router made cords that do not hold together');
  writeBundleFile(out, result.value);
}

/** `ft route`: routes the threads of a scene. */
// eslint-disable-next-line max-lines-per-function -- one command from its flags to its answer
export function route(request: CliRequest): Answer {
  const { studio, session, scene } = request;
  const routing = routeThreads(studio.rig, session, scene);
  const { cords, settings, outcomes } = routing;
  const bought = new Map(
    movementsOf(studio.rig, session, scene, routing).map(({ thread, by, gain }) => [
      thread,
      `by ${by}, ${gain}`,
    ]),
  );
  const naming = namingOf(studio.rig, session, compile(studio.rig, session, scene));
  const threads = outcomes.map((outcome) => ({
    thread: outcome.thread,
    name: naming.thread(outcome.thread),
    routed: outcome.routed,
    kept: outcome.routed && outcome.kept,
    ...(outcome.routed && outcome.gain && { gain: { ...outcome.gain, runs: [...outcome.gain.runs] } }),
    ...(!outcome.routed && { because: obstacleSentence(outcome.obstacle, naming) }),
  }));
  const json: RouteOutput = {
    format: 'faithful-thread-route/1',
    ...headOf(request),
    threads,
    cords: cords.map(({ id, from, to, stock, thread }) => ({
      id,
      from,
      to,
      stock,
      ...(thread && { thread }),
      isNew: !scene.cords.some((cord) => cord.id === id),
    })),
    settings,
  };
  write(request);
  const threadLines = threads.map(({ thread, name, routed, kept, because = bought.get(thread) }) => {
    const how = bought.has(thread) ? 'moved' : kept ? 'kept' : 'routed';
    return `${(routed ? how : 'no way').padEnd(8)}${name}${because === undefined ? '' : `\n        ${because}`}`;
  });
  const cordLines = cords.map((cord) => `cord    ${naming.lane(cord.from)} → ${naming.lane(cord.to)}`);
  return {
    text: [titleOf(request), ...threadLines, ...cordLines].join('\n'),
    json,
    exitCode: threads.every(({ routed }) => routed) ? 0 : 1,
  };
}
