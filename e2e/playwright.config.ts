import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './startServer.ts',
  outputDir: '../test-results',
  workers: 2,
  retries: 0,
  timeout: 180_000,
  expect: { timeout: 30_000 },
  forbidOnly: true,
  reporter: process.env.REPORT ? [['list'], ['json', { outputFile: process.env.REPORT }]] : 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 30_000,
    // what moves to its place costs a second of each test and shows nothing
    contextOptions: { reducedMotion: 'reduce' },
    // every test starts with an empty browser: only what is about working without a network fetches the whole application first
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      chromiumSandbox: false,
      args: [
        '--disable-gpu',
        '--disable-quic',
        '--disable-domain-reliability',
        '--no-pings',
        '--metrics-recording-only',
        '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1, EXCLUDE localhost',
        '--font-render-hinting=none',
        '--force-color-profile=srgb',
      ],
    },
  },
})
