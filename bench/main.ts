import { writeFileSync } from 'node:fs';
import { workedScene } from '@ft/core/scene/workedScene';
import { runChecks } from '@ft/core/checks/runChecks';
import { compile } from '@ft/core/graph/compile';
import { applyChange } from '@ft/core/edits/change';
import { writeBundle } from '@ft/core/formats/bundle';
import { readWiresCsv } from '@ft/core/formats/csv/wiresCsv';
import { trace } from '@ft/core/graph/trace';
import { jackInfo } from '@ft/core/views/bay/jackInfo';
import { planOf } from '@ft/core/views/plan';
import type { Studio } from '@ft/core/session/studioSchema';
import { bareBayStudio, bayStudio, wireList } from './bayRig';
import { consoleStudio } from './consoleRig';
import { cues } from './cues';
import { edits } from './edits';
import { facility } from './facility';
import { optimum } from './optimum';
import { history } from './history';
import { routing } from './routing';
import { generatedStudio } from './generatedStudio';

/** Rigs held against the optimum: by themselves, and among everything else, where a quarter of an hour has to do. */
const RIGS = { alone: 1000, amongAll: 150 } as const;

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
    allMs: medianMs(() => runChecks(workedScene(rig, session, scene))),
  };
}

/** Growing studios, all of one kind. */
function growing(): void {
  const results = SUITES.map((suites) => measure(generatedStudio(suites)));
  const first = results[0];
  const row = (cells: readonly (string | number)[]): string =>
    cells.map((cell) => String(cell).padStart(13)).join('');

  console.log(
    row([
      'lanes',
      'threads',
      'first compile',
      'compile',
      'trace all',
      'all + checks',
      'µs per lane',
      'growth',
    ]),
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
}

/** The rig of twenty bays: how long and how much it takes to open, and to read 5 000 wires from a list. */
function bayRig(): void {
  const heapMb = (): number => {
    globalThis.gc?.();
    return process.memoryUsage().heapUsed / 1e6;
  };
  const studio = bayStudio();
  const [session] = studio.sessions;
  const scene = session?.scenes[0];
  if (session === undefined || scene === undefined) throw new Error('a generated studio has a scene');
  const before = heapMb();
  const started = performance.now();
  const { context } = planOf(studio.rig, session, scene);
  const coldMs = performance.now() - started;
  const mb = heapMb() - before;
  const { graph } = context;
  const jacks = graph.lanes.filter(({ face }) => face === 'front').length;
  const compileMs = medianMs(() => compile(studio.rig, session, scene));
  const bare = bareBayStudio();
  const list = wireList();
  const csvMs = medianMs(() => readWiresCsv(list, bare.rig));
  const read = readWiresCsv(list, bare.rig);
  const applyMs = medianMs(() => applyChange(bare, read.ok ? read.edits : []));
  const hoverMs = medianMs(() =>
    graph.lanes
      .filter(({ face }) => face === 'front')
      .slice(0, 100)
      .map(({ id }) => jackInfo(context, id)),
  );
  const ratio = (ms: number): string => `${ms.toFixed(0)} ms, ${(ms / compileMs).toFixed(1)} x a compile`;
  console.log(
    `\n20 bays of 96: ${String(jacks)} jacks, ${String(graph.lanes.length)} lanes, ${String(studio.rig.hardwires.length)} wires`,
  );
  console.log(`  compile again                        ${compileMs.toFixed(1)} ms`);
  console.log(`  first compile and plan, cold         ${ratio(coldMs)}`);
  console.log(`  memory of graph and plan             ${mb.toFixed(0)} MB`);
  console.log(`  5 000 wires from a list: dry run     ${ratio(csvMs)}`);
  console.log(`  the same applied as one change       ${ratio(applyMs)}`);
  console.log(`  what a jack carries, each            ${(hoverMs / 100).toFixed(2)} ms`);
}

// With a name and a file the studio of that name is written there, for the browser to open.
const BUNDLES: Readonly<Record<string, () => Studio>> = {
  bays: bayStudio,
  facility: () => facility(),
  console: consoleStudio,
};
const [name = '', file] = process.argv.slice(2);
if (name === 'history') await history();
else if (name === 'cues') cues();
else if (name === 'optimum') await optimum(RIGS.alone);
else if (file === undefined) {
  growing();
  bayRig();
  edits();
  cues();
  routing();
  await history();
  await optimum(RIGS.amongAll);
} else writeFileSync(file, writeBundle((BUNDLES[name] ?? bayStudio)()));
