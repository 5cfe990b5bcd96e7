import { useEffect } from 'react';

/** Caches of the service worker that hold what somebody has seen. */
const PERSONAL = ['answers', 'pictures', 'other-pictures'];

/** Lets the application open without a network: its files and what it has shown are kept by a service worker. */
export function useServiceWorker(): void {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production') return;
    // Refused in private windows and over plain http: Dossier then works as long as there is a network.
    void navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
  }, []);
}

/** Empties what is kept of answers and pictures: they belong to whoever was signed in. */
export async function forgetAnswers(): Promise<void> {
  if (!('caches' in globalThis)) return;
  await Promise.all(PERSONAL.map((name) => caches.delete(name)));
}
