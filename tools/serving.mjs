import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

const address = (port) => `http://127.0.0.1:${port}`;

const answers = (port) =>
  fetch(`${address(port)}/api/health`).then(
    ({ ok }) => ok,
    () => false,
  );

/** What a page of the program shows with whatever changes something, as a header. */
export async function pageToken(base) {
  const cookies = (await fetch(`${base}/api/health`)).headers.get('set-cookie') ?? '';
  return { 'x-thread-page': /ft_page=([^;]+)/.exec(cookies)?.[1] ?? '' };
}

/** Starts the built program with the demo on a data folder; resolves once it answers, with the milliseconds that took. */
export async function startServing(port, data) {
  const started = performance.now();
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs'), '--demo'], {
    env: { ...process.env, PORT: String(port), FT_DATA: data },
    stdio: 'ignore',
  });
  while (!(await answers(port))) await new Promise((resolve) => setTimeout(resolve, 10));
  return {
    base: address(port),
    ms: performance.now() - started,
    stop: () =>
      new Promise((resolve) => {
        server.on('exit', resolve);
        server.kill('SIGTERM');
      }),
  };
}

/** Debian's Chromium, driven by Playwright. */
export async function startBrowser() {
  const { chromium } = await import('@playwright/test');
  return chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
  });
}
