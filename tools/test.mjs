import { mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildKit, buildServer, buildWeb } from './builds.mjs';
import { ensureDebian } from './debian.mjs';
import { ensureModules } from './install.mjs';
import { bin, ROOT, run } from './run.mjs';

const RESULTS = 'test-results';
const total = { passed: 0, failed: 0 };

function count({ passed, failed }) {
  total.passed += passed;
  total.failed += failed;
}

/** One check that passes or fails whole; what it printed is shown only when it fails. */
async function check(title, command, args) {
  const started = Date.now();
  const { code, output } = await run(command, args, { quiet: true });
  const seconds = ((Date.now() - started) / 1000).toFixed(0);
  console.log(`${code === 0 ? 'ok    ' : 'FAILED'} ${title} (${seconds} s)`);
  if (code !== 0) console.log(output);
  count({ passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 });
}

const types = (project) => check(`types of ${project}`, bin('tsc'), ['--noEmit', '-p', project]);

/** What a runner wrote about its tests; a runner that wrote nothing has failed. */
function readResult(file, read) {
  try {
    return read(JSON.parse(readFileSync(join(ROOT, RESULTS, file), 'utf8')));
  } catch {
    return { passed: 0, failed: 1 };
  }
}

/** @param only parts of paths: a stage, a folder, a file; none runs all. */
async function unitTests(only) {
  console.log('\nUnit tests');
  const pick = only.length === 0 ? [] : ['--passWithNoTests', '--', ...only];
  await run(bin('jest'), ['--json', `--outputFile=${RESULTS}/jest.json`, '--silent', ...pick]);
  const result = readResult('jest.json', (json) => ({
    passed: json.numPassedTests,
    failed: json.numFailedTests + json.numRuntimeErrorTestSuites,
  }));
  count(result);
}

async function browserTests(only) {
  console.log('\nBrowser tests');
  await run(bin('playwright'), ['test', ...only]);
  const result = readResult('e2e.json', ({ stats, errors }) => ({
    passed: stats.expected,
    failed: stats.unexpected + stats.flaky + errors.length,
  }));
  count(result);
}

const PACKAGES = [
  { command: 'chromium', name: 'chromium' },
  { command: 'ngspice', name: 'ngspice' },
  { command: 'sox', name: 'sox' },
  { command: 'pdftotext', name: 'poppler-utils' },
];

/** The core on its own has neither Node nor a DOM to lean on; the build checks the web application. */
async function checkTypes() {
  for (const project of ['core', 'tsconfig.node.json']) await types(project);
}

const format = () => check('format', bin('prettier'), ['--check', '.']);

const lint = () => check('lint', bin('eslint'), ['.']);

/** The browser tests of those names; all where none is given. */
const browserFiles = (only) =>
  readdirSync(join(ROOT, 'e2e'))
    .filter((file) => file.endsWith('.spec.ts') && only.some((part) => file.includes(part)))
    .map((file) => `e2e/${file}`);

const started = Date.now();
const only = process.argv.slice(2);
// What comes from Debian and what has to be compiled comes while the sources are looked at.
const debian = ensureDebian(PACKAGES);
const { native } = await ensureModules();
rmSync(join(ROOT, RESULTS), { recursive: true, force: true });
mkdirSync(join(ROOT, RESULTS));
await buildServer();
const files = browserFiles(only);
// Two things at a time, for two cores; browser tests mostly wait, so the linter works beside them.
if (only.length === 0) {
  const webTypes = () => types('web/tsconfig.spec.json');
  await Promise.all([checkTypes().then(format), buildWeb().then(buildKit).then(webTypes)]);
  await Promise.all([debian, native]);
  await unitTests(only);
  await Promise.all([browserTests(files), lint()]);
} else {
  await Promise.all([debian, native]);
  await unitTests(only);
  if (files.length > 0) {
    await buildWeb();
    if (files.some((file) => file.includes('kit'))) await buildKit();
    await browserTests(files);
  }
}
console.log(`\nTook ${((Date.now() - started) / 60_000).toFixed(1)} minutes.`);
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed === 0 ? 0 : 1;
