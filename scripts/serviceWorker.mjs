import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { generateSW } from 'workbox-build';

/** The entry bundle is larger than what is kept by default. */
const LARGEST_FILE = 6 * 1024 * 1024;
const DAY = 24 * 60 * 60;

/** A request of the application whose answer is worth showing again without a network. */
const ANSWERS = ({ url, request }) =>
  request.method === 'GET' &&
  /^\/api\/v1\/(session|team|tray|occasions|learned|people|cards\/[0-9a-f-]{36}|photos\/[0-9a-f-]{36}\/outlines)(\?|$|\/[0-9a-f-]{36}$)/.test(
    url.pathname,
  );
const PICTURE = /^\/api\/v1\/(cards|photos)\/[0-9a-f-]{36}\/picture$/;
/** A picture asked for by its own name never changes; one asked for by its card's may be another one by now. */
const NAMED_PICTURES = ({ url }) => PICTURE.test(url.pathname) && url.searchParams.has('of');
const PICTURES = ({ url }) => PICTURE.test(url.pathname);

/**
 * Writes the service worker of an exported application: its own files are kept at once, answers and
 * pictures as they are seen, so that it opens and shows what it has shown without a network. The caches
 * `answers`, `pictures` and `other-pictures` are emptied when somebody signs in or out.
 */
export async function writeServiceWorker(folder) {
  const { warnings } = await generateSW({
    globDirectory: folder,
    globPatterns: ['index.html', '**/*.{js,css,woff2,webmanifest}', 'icons/*.png', 'sample/*.jpg'],
    globIgnores: ['pdf/**', 'codes/**', '**/*.map'],
    swDest: join(folder, 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
    maximumFileSizeToCacheInBytes: LARGEST_FILE,
    navigateFallback: '/index.html',
    // Pages and files of the server itself.
    navigateFallbackDenylist: [
      /^\/api\//,
      /^\/withdraw\//,
      /^\/calendar\//,
      /^\/card\//,
      /^\/dav\//,
      /^\/.well-known\//,
    ],
    skipWaiting: true,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        urlPattern: ANSWERS,
        handler: 'NetworkFirst',
        options: {
          cacheName: 'answers',
          networkTimeoutSeconds: 8,
          expiration: { maxEntries: 600, maxAgeSeconds: 14 * DAY },
        },
      },
      {
        // A megabyte, kept once a code has been read: the next may be where there is no network.
        urlPattern: ({ url }) => url.pathname.startsWith('/codes/'),
        handler: 'StaleWhileRevalidate',
        options: { cacheName: 'codes' },
      },
      {
        urlPattern: NAMED_PICTURES,
        handler: 'CacheFirst',
        options: {
          cacheName: 'pictures',
          expiration: { maxEntries: 300, maxAgeSeconds: 14 * DAY, purgeOnQuotaError: true },
        },
      },
      {
        urlPattern: PICTURES,
        handler: 'NetworkFirst',
        options: {
          cacheName: 'other-pictures',
          networkTimeoutSeconds: 8,
          expiration: { maxEntries: 150, maxAgeSeconds: 14 * DAY, purgeOnQuotaError: true },
        },
      },
    ],
  });
  if (warnings.length > 0) throw new Error(`The service worker is not complete: ${warnings.join('; ')}`);
}

/** What makes the page installable stands in its head. */
const HEAD = [
  '<link rel="manifest" href="/manifest.webmanifest">',
  '<link rel="icon" href="/icons/icon.svg" type="image/svg+xml">',
  '<link rel="apple-touch-icon" href="/icons/icon-180.png">',
  '<meta name="theme-color" media="(prefers-color-scheme: light)" content="#f4f0e4">',
  '<meta name="theme-color" media="(prefers-color-scheme: dark)" content="#1b2027">',
].join('');

export function addToHead(folder) {
  const page = join(folder, 'index.html');
  writeFileSync(page, readFileSync(page, 'utf8').replace('</head>', `${HEAD}</head>`));
}
