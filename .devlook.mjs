import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { writeFileSync } from 'node:fs';
const [, , script, camera = 'skerry', width = '390', height = '844'] = process.argv;
const cam = `/tmp/cam-${camera}.y4m`;
{
  const { data, info } = await sharp(`/work/main/demo/photos/${camera}.jpg`).resize(1280, 960, { fit: 'cover' }).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const { width, height } = info; const luma = Buffer.alloc(width * height); const [b, r] = [Buffer.alloc(width * height / 4), Buffer.alloc(width * height / 4)];
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) { const at = (y * width + x) * 3; const [R, G, B] = [data[at], data[at + 1], data[at + 2]]; luma[y * width + x] = 16 + 0.257 * R + 0.504 * G + 0.098 * B; if (x % 2 || y % 2) continue; const h = (y / 2) * (width / 2) + x / 2; b[h] = 128 - 0.148 * R - 0.291 * G + 0.439 * B; r[h] = 128 + 0.439 * R - 0.368 * G - 0.071 * B; }
  writeFileSync(cam, Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\nFRAME\n`), luma, b, r]));
}
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream', `--use-file-for-fake-video-capture=${cam}`] });
const context = await browser.newContext({ viewport: { width: Number(width), height: Number(height) }, permissions: ['camera'], baseURL: 'http://localhost:4300', hasTouch: Number(width) < 600, colorScheme: process.env.DARK ? 'dark' : 'light' });
const page = await context.newPage();
page.on('console', (m) => { if (['error', 'warning'].includes(m.type())) console.log('console', m.type(), m.text().slice(0, 300)); });
page.on('pageerror', (e) => console.log('pageerror', String(e).slice(0, 500)));
await page.goto('/tray'); await page.getByLabel('E-mail').fill('ottilie@keldermoss.example'); await page.getByLabel('Password').fill('cold-chain'); await page.getByRole('button', { name: 'Sign in' }).click(); await page.getByRole('heading', { name: 'Tray' }).waitFor();
const shot = (name) => page.screenshot({ path: `/tmp/shots/${name}.png` });
const { default: run } = await import(script);
try { await run({ page, context, shot }); } catch (e) { console.log('FAILED', String(e).slice(0, 1500)); await shot('failed'); }
await browser.close();
