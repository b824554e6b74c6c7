import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { packFiles } from './pack.mjs';
import { bin, must, ROOT } from './run.mjs';

/** Libraries that stay outside the server's bundle: native code, or files they read beside themselves. */
const OUTSIDE = [
  'sequelize',
  'sqlite3',
  'umzug',
  'pdfmake',
  'express',
  'express-static-gzip',
  'compression',
  'helmet',
  'highs',
  'qrcode',
  'piscina',
  'pino',
  'rotating-file-stream',
];
const SOURCES = [
  'core/src',
  'contract/src',
  'demo/src',
  'server/src',
  'web/src',
  'bench',
  'angular.json',
  'package-lock.json',
  'tsconfig.base.json',
  'tools/builds.mjs',
  'tools/pack.mjs',
  'web/tsconfig.json',
  'web/tsconfig.app.json',
];

function* filesIn(path) {
  if (!statSync(path).isDirectory()) yield path;
  else for (const name of readdirSync(path).sort()) yield* filesIn(join(path, name));
}

/** A hash over names and contents of some sources. */
function hashOf(sources) {
  const hash = createHash('sha256');
  for (const source of sources)
    for (const file of filesIn(join(ROOT, source)))
      hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  return hash.digest('hex');
}

/** Runs a build unless its outcome is there already, made from the same sources. */
async function unlessFresh(stamp, sources, title, build) {
  const file = join(ROOT, stamp);
  const hash = hashOf(sources);
  if (existsSync(file) && readFileSync(file, 'utf8') === hash) return;
  console.log(title);
  await build();
  mkdirSync(join(file, '..'), { recursive: true });
  writeFileSync(file, hash);
}

/** Bundles the server and the command line with esbuild. */
export async function buildServer() {
  await unlessFresh(
    'server/dist/.built-from',
    SOURCES.filter((path) => !path.startsWith('web')),
    'Building the server …',
    async () => {
      const { build } = await import('esbuild');
      await build({
        absWorkingDir: ROOT,
        entryPoints: {
          main: 'server/src/main.ts',
          worker: 'server/src/jobs/worker.ts',
          demo: 'demo/src/main.ts',
          ft: 'server/src/cli/main.ts',
          formats: 'server/src/formats/main.ts',
          bench: 'bench/main.ts',
          soak: 'bench/soak/soak.ts',
          pinger: 'bench/soak/pinger.ts',
        },
        outdir: 'server/dist',
        outExtension: { '.js': '.mjs' },
        bundle: true,
        platform: 'node',
        format: 'esm',
        target: 'node20',
        mainFields: ['module', 'main'],
        external: OUTSIDE,
        tsconfig: 'server/tsconfig.json',
        logLevel: 'warning',
      });
      // Routed once, here: the program and the tests read it.
      await must('Building the demo', process.execPath, [
        'server/dist/demo.mjs',
        join(ROOT, 'server/dist/demo.thread.json'),
        join(ROOT, 'server/dist/demo.log.json'),
      ]);
    },
  );
}

/** Builds the page that shows the pieces of the interface, for the tests and the bench. */
export async function buildKit() {
  await unlessFresh(
    'web/dist-kit/.built-from',
    SOURCES.filter((path) => !path.startsWith('server')),
    'Building the kit …',
    () =>
      must('ng build', bin('ng'), ['build', '--configuration', 'kit'], {
        env: { NG_CLI_ANALYTICS: 'false' },
      }),
  );
}

/** Builds the web application for production. */
export async function buildWeb() {
  const sources = SOURCES.filter((path) => !path.startsWith('server'));
  await unlessFresh(
    'web/dist/.built-from',
    sources,
    'Building the web application (up to a minute) …',
    async () => {
      await must('ng build', bin('ng'), ['build'], { env: { NG_CLI_ANALYTICS: 'false' } });
      await packFiles(join(ROOT, 'web/dist/browser'));
    },
  );
}
