import { chromium } from '@playwright/test';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream', '--use-file-for-fake-video-capture=/tmp/cam-kestrel.y4m'] });
const context = await browser.newContext({ viewport: { width: 390, height: 844 }, permissions: ['camera'], baseURL: 'http://localhost:4300' });
const page = await context.newPage();
await page.addInitScript(() => { const W = window.Worker; window.__n = 0; window.Worker = class extends W { constructor(...a) { super(...a); this.addEventListener('message', () => window.__n++); } }; });
await page.goto('/tray'); await page.getByLabel('E-mail').fill('ottilie@keldermoss.example'); await page.getByLabel('Password').fill('cold-chain'); await page.getByRole('button', { name: 'Sign in' }).click(); await page.getByRole('heading', { name: 'Tray' }).waitFor();
await page.goto('/photograph'); await page.locator('[data-live-outline="seen"]').waitFor();
const cdp = await context.newCDPSession(page);
for (const rate of [1, 4]) { await cdp.send('Emulation.setCPUThrottlingRate', { rate }); await page.waitForTimeout(1500); const a = await page.evaluate(() => window.__n); const t = Date.now(); await page.waitForTimeout(6000); const b = await page.evaluate(() => window.__n); console.log('slow-down', rate, 'frames/s', ((b - a) / ((Date.now() - t) / 1000)).toFixed(1)); }
await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
const t0 = Date.now(); await page.reload(); await page.getByRole('button', { name: 'Take the photograph' }).waitFor(); console.log('warm open to release at 4x:', Date.now() - t0, 'ms');
await browser.close();
