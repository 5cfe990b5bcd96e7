import { join } from 'node:path';
import { CHROMIUM_FLAGS, CHROMIUM_PATH, cameraFlags } from '@dossier/demo/chromium';
import { defineConfig } from '@playwright/test';

/** A picture of a demo card stands before the camera; made by `cameraFile.ts`. */
export const CAMERA_FILE = join(import.meta.dirname, '../.data/test-reports/camera.y4m');

const size = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } };

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './cameraFile.ts',
  outputDir: '../test-results',
  // A file has its workspaces to itself.
  workers: 2,
  retries: 0,
  // The machine may be shared: nothing is timed here, this only ends what hangs.
  timeout: 540_000,
  expect: { timeout: 120_000 },
  reporter: [['list'], ['json']],
  use: {
    baseURL: process.env.DOSSIER_E2E_ADDRESS,
    // Traces record every step of every test, a fifth of the time: `--trace on` where one is wanted.
    screenshot: 'only-on-failure',
    permissions: ['camera'],
    // Only where it is meant: requests that it makes cannot be watched or failed by a test.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: CHROMIUM_PATH,
      args: [...CHROMIUM_FLAGS, ...cameraFlags(CAMERA_FILE)],
    },
  },
  projects: [
    { name: 'phone', use: { viewport: size.phone, hasTouch: true } },
    { name: 'wide', use: { viewport: size.wide } },
  ],
});
