import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildServer, buildWeb } from './builds.mjs';
import { ensureDebian } from './debian.mjs';
import { ensureInstalled } from './install.mjs';
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

async function unitTests() {
  console.log('\nUnit tests');
  await run(bin('jest'), ['--json', `--outputFile=${RESULTS}/jest.json`, '--silent']);
  const result = readResult('jest.json', (json) => ({
    passed: json.numPassedTests,
    failed: json.numFailedTests + json.numRuntimeErrorTestSuites,
  }));
  count(result);
}

async function browserTests() {
  console.log('\nBrowser tests');
  await run(bin('playwright'), ['test']);
  const result = readResult('e2e.json', ({ stats, errors }) => ({
    passed: stats.expected,
    failed: stats.unexpected + stats.flaky + errors.length,
  }));
  count(result);
}

const started = Date.now();
await ensureDebian([
  { command: 'chromium', name: 'chromium' },
  { command: 'ngspice', name: 'ngspice' },
  { command: 'sox', name: 'sox' },
  { command: 'pdftotext', name: 'poppler-utils' },
]);
await ensureInstalled();
rmSync(join(ROOT, RESULTS), { recursive: true, force: true });
mkdirSync(join(ROOT, RESULTS));
await buildServer();
// Two things at a time: the machine this is made for has two cores.
await Promise.all([check('lint', bin('eslint'), ['.']), buildWeb()]);
await Promise.all([
  check('format', bin('prettier'), ['--check', '.']),
  (async () => {
    // The core on its own has neither Node nor a DOM to lean on. The web application is checked by its build.
    for (const project of ['core', 'tsconfig.node.json', 'web/tsconfig.spec.json']) await types(project);
  })(),
]);
await unitTests();
await browserTests();
console.log(`\nTook ${((Date.now() - started) / 60_000).toFixed(1)} minutes.`);
console.log(`${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed === 0 ? 0 : 1;
