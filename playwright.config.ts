import { existsSync } from 'node:fs'
import { defineConfig } from '@playwright/test'

const executablePath = [process.env['CHROMIUM_PATH'], '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
  (path) => path !== undefined && existsSync(path),
)

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  globalSetup: './e2e/global-setup.ts',
  workers: 2,
  // A shared machine may have half its speed: what is late is not wrong.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  // A busy machine may hold a browser up for longer than any wait. What needs a second try is named as flaky; what
  // fails twice is wrong.
  retries: 1,
  reporter: [['list']],
  use: {
    baseURL: 'http://127.0.0.1:4310',
    viewport: { width: 1280, height: 800 },
    video: 'off',
    trace: 'off',
    launchOptions: {
      ...(executablePath ? { executablePath } : {}),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
