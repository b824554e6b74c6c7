import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const port = Number(process.env['E2E_PORT'] ?? 4748);
const sharePort = process.env['E2E_SHARE_PORT'] ?? '4758';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: false,
  workers: 1,
  retries: 0,
  // Patience for a small machine: what is tested is that something comes about, never how fast.
  timeout: 300_000,
  expect: { timeout: 120_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${String(port)}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--disable-dev-shm-usage',
      ],
    },
  },
  webServer: {
    command: 'node server/dist/main.mjs --demo',
    url: `http://127.0.0.1:${String(port)}/api/health`,
    env: {
      PORT: String(port),
      FT_SHARE_PORT: sharePort,
      FT_DATA: join(tmpdir(), `ft-e2e-${String(process.pid)}`),
    },
    reuseExistingServer: false,
    timeout: 180_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
  },
});
