import { copyFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { must, ROOT, run } from './run.mjs';

const modules = join(ROOT, 'node_modules');
const stamp = join(modules, '.installed-from');
const binary = join(modules, 'sqlite3', 'build', 'Release', 'node_sqlite3.node');

const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');

/** Where a built sqlite3 is kept between checkouts: it takes two minutes to build. */
function cachedBinary() {
  const cache = process.env.XDG_CACHE_HOME ?? join(homedir(), '.cache');
  const { version } = JSON.parse(readFileSync(join(modules, 'sqlite3', 'package.json'), 'utf8'));
  const { platform, arch, versions } = process;
  return join(cache, 'faithful-thread', `sqlite3-${version}-${platform}-${arch}-abi${versions.modules}.node`);
}

/** Node's own headers, where the system has them: building then needs no download. */
function headers() {
  return existsSync('/usr/include/node/node.h') ? { npm_package_config_node_gyp_nodedir: '/usr' } : {};
}

async function loads() {
  const { code } = await run(process.execPath, ['-e', 'require("sqlite3")'], { quiet: true });
  return code === 0;
}

async function ensureSqlite() {
  const cached = cachedBinary();
  if (existsSync(cached) && !existsSync(binary)) {
    mkdirSync(dirname(binary), { recursive: true });
    copyFileSync(cached, binary);
  }
  if (await loads()) {
    keep(cached);
    return;
  }
  console.log('Building sqlite3 from source (about two minutes, once per machine) …');
  await must('Building sqlite3', 'npm', ['rebuild', 'sqlite3'], {
    env: { ...headers(), CFLAGS: '-O2', CXXFLAGS: '-O2' },
  });
  keep(cached);
}

function keep(cached) {
  if (existsSync(cached)) return;
  mkdirSync(dirname(cached), { recursive: true });
  copyFileSync(binary, cached);
}

const isInstalled = (hash) => existsSync(stamp) && readFileSync(stamp, 'utf8') === hash;

/**
 * Installs node modules when they are missing or older than the lock file.
 * @returns what is still under way: building sqlite3, which takes two minutes and which linting and building the
 * application can do without.
 */
export async function ensureModules() {
  const hash = lockHash();
  if (isInstalled(hash)) return { native: Promise.resolve() };
  console.log('Installing node modules (a minute or more, the first time) …');
  await must('npm ci', 'npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund']);
  const native = async () => {
    await ensureSqlite();
    writeFileSync(stamp, hash);
  };
  return { native: native() };
}

/** Installs everything, sqlite3 included. */
export async function ensureInstalled() {
  await (
    await ensureModules()
  ).native;
}
