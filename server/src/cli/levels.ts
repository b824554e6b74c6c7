import type { LevelsOutput } from '@ft/contract/cliOutput';
import { workedScene } from '@ft/core/scene/workedScene';
import type { Strip, StripHop } from '@ft/core/views/strip/strip';
import { stripOf } from '@ft/core/views/strip/strip';
import { formatGain, formatMs } from '@ft/core/units/format';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import { laneNamed } from './laneNamed';
import type { CliRequest } from './request';

type ThreadLevels = LevelsOutput['threads'][number];

function hopOutput(hop: StripHop): ThreadLevels['hops'][number] {
  const { lane, laneName, kind, unit, nominal, peak, noise, max, headroomDb } = hop;
  const { delaySamples, delayMs, inverted, arithmetic } = hop;
  return {
    lane,
    name: laneName,
    ...(kind && { kind }),
    unit,
    ...(nominal !== undefined && { nominal }),
    ...(peak !== undefined && { peak }),
    ...(noise !== undefined && { noise }),
    ...(max !== undefined && { max }),
    ...(headroomDb !== undefined && { headroomDb }),
    delaySamples,
    delayMs,
    inverted,
    arithmetic: [...arithmetic],
  };
}

const output = (strip: Strip): ThreadLevels => ({
  thread: strip.thread ?? '',
  name: strip.title,
  complete: strip.complete,
  hops: strip.hops.map(hopOutput),
  gaps: [...strip.gaps],
});

const figure = (value: number | undefined, unknown = '?'): string =>
  (value === undefined ? unknown : formatGain(value)).padStart(8);

function text(thread: ThreadLevels): string {
  const head = `${thread.name}${thread.complete ? '' : '  (incomplete)'}\n${'nominal'.padStart(9)}${'peak'.padStart(8)}${'noise'.padStart(8)}${'max'.padStart(8)}`;
  const hops = thread.hops.map(
    (hop) =>
      ` ${figure(hop.nominal)}${figure(hop.peak)}${figure(hop.noise)}${figure(hop.max, '')} ${hop.unit.padEnd(5)}${formatMs(hop.delayMs).padStart(9)}  ${hop.name}`,
  );
  return [head, ...hops, ...thread.gaps.map((gap) => `  ${gap}`)].join('\n');
}

/** `ft levels`: the level ladder of the scene's threads. */
export function levels(request: CliRequest): Answer {
  const context = workedScene(request.studio.rig, request.session, request.scene);
  const start = request.from === undefined ? undefined : laneNamed(context.graph, request.from);
  const refs =
    start === undefined || context.threads.some((planned) => planned.start === start.index)
      ? context.threads
          .filter((planned) => start === undefined || planned.start === start.index)
          .map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const)
      : [{ kind: 'lane', id: start.id } as const];
  const threads = refs.flatMap((ref) => stripOf(context, ref) ?? []).map(output);
  const json: LevelsOutput = { format: 'faithful-thread-levels/1', ...headOf(request), threads };
  return { text: [titleOf(request), ...threads.map(text)].join('\n\n'), json, exitCode: 0 };
}
