import { checkContext } from '@ft/core/checks/context';
import { runChecks } from '@ft/core/checks/runChecks';
import { compile } from '@ft/core/graph/compile';
import { trace } from '@ft/core/graph/trace';
import type { Studio } from '@ft/core/session/studioSchema';
import { generatedStudio } from './generatedStudio';

/** 1 000, 5 000 and 20 500 lanes. */
const SUITES = [2, 10, 41] as const;
const ROUNDS = 9;

/** Median of several runs, in ms, after two that only warm up. */
function medianMs(work: () => unknown): number {
  work();
  work();
  const times = Array.from({ length: ROUNDS }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return times.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)] ?? 0;
}

interface Measured {
  readonly lanes: number;
  readonly threads: number;
  readonly coldMs: number;
  readonly compileMs: number;
  readonly traceMs: number;
  readonly allMs: number;
}

function measure(studio: Studio): Measured {
  const { rig } = studio;
  const [session] = studio.sessions;
  const scene = session?.scenes[0];
  if (session === undefined || scene === undefined) throw new Error('a generated studio has a scene');
  const started = performance.now();
  const graph = compile(rig, session, scene);
  const coldMs = performance.now() - started;
  return {
    lanes: graph.lanes.length,
    threads: session.threads.length,
    coldMs,
    compileMs: medianMs(() => compile(rig, session, scene)),
    traceMs: medianMs(() =>
      session.threads.map(({ from }) => trace(graph, graph.laneIndex.get(from) ?? 0, 'from')),
    ),
    allMs: medianMs(() => runChecks(checkContext(rig, session, scene))),
  };
}

const results = SUITES.map((suites) => measure(generatedStudio(suites)));
const first = results[0];
const row = (cells: readonly (string | number)[]): string =>
  cells.map((cell) => String(cell).padStart(13)).join('');

console.log(
  row(['lanes', 'threads', 'first compile', 'compile', 'trace all', 'all + checks', 'µs per lane', 'growth']),
);
for (const it of results) {
  const growth = first === undefined ? 1 : it.allMs / first.allMs / (it.lanes / first.lanes);
  console.log(
    row([
      it.lanes,
      it.threads,
      `${it.coldMs.toFixed(1)} ms`,
      `${it.compileMs.toFixed(1)} ms`,
      `${it.traceMs.toFixed(1)} ms`,
      `${it.allMs.toFixed(1)} ms`,
      ((it.allMs * 1000) / it.lanes).toFixed(2),
      `${growth.toFixed(2)} x`,
    ]),
  );
}
console.log(
  '\n“all + checks”: compile, realise and ladder of every thread, every rule. Growth 1 x: time grows as the lanes do.',
);
