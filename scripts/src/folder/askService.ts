import type { AskedReading, Problem } from '@dossier/contract';

/** What cannot be read, however often it is sent; with what is wrong in words. */
export class NotReadable extends Error {}
/** The address or the token is of no use: nothing can be sent. */
export class NotLetIn extends Error {}

export interface Service {
  address: string;
  token: string;
  file: 'no' | 'lead' | 'contact';
  /** Told while there is no answer. */
  say: (words: string) => void;
}

const WAIT_SECONDS = 30;
const [FIRST_PAUSE_MS, LONGEST_PAUSE_MS] = [1_000, 60_000];

/**
 * Sends a picture or a text and waits for what stands on it. While the service is away, or has too much to do, it is asked again after
 * growing pauses: under the same key nothing is read twice.
 * @throws NotReadable, NotLetIn
 */
export async function askService(
  service: Service,
  key: string,
  bytes: Uint8Array,
  isText: boolean,
): Promise<AskedReading> {
  const body = isText ? JSON.stringify({ text: new TextDecoder().decode(bytes) }) : bytes;
  const sent = { method: 'POST', body: body as BodyInit, headers: { 'content-type': isText ? 'application/json' : 'application/octet-stream', 'idempotency-key': key } }; // prettier-ignore
  let reading = await patiently(service, `/readings?wait=${WAIT_SECONDS}&file=${service.file}`, sent);
  while (reading.state === 'reading')
    reading = await patiently(service, `/readings/${reading.id}?wait=${WAIT_SECONDS}`, {});
  if (reading.state === 'unreadable') throw new NotReadable(reading.message ?? 'This cannot be read.');
  return reading;
}

async function patiently({ address, token, say }: Service, path: string, sent: RequestInit): Promise<AskedReading> {
  for (let pause = FIRST_PAUSE_MS; ; pause = Math.min(LONGEST_PAUSE_MS, pause * 2)) {
    const headers = { ...(sent.headers as Record<string, string>), authorization: `Bearer ${token}` };
    const response = await fetch(`${address}/api/v1${path}`, { ...sent, headers }).catch(() => undefined);
    const text = await response?.text().catch(() => undefined);
    if (response?.ok && text !== undefined) return JSON.parse(text) as AskedReading;
    if (response && text !== undefined && response.status < 500 && response.status !== 429 && response.status !== 408) {
      const words = detailOf(text);
      throw response.status === 401 || response.status === 403 || response.status === 404 ? new NotLetIn(words) : new NotReadable(words); // prettier-ignore
    }
    say(response ? `The service has trouble (${response.status}); it is asked again.` : `Nobody answers at ${address}; it is asked again.`); // prettier-ignore
    const asked = Number(response?.headers.get('retry-after')) * 1000 || 0;
    await new Promise((resolve) => setTimeout(resolve, Math.max(pause, asked)));
  }
}

function detailOf(text: string): string {
  try {
    return (JSON.parse(text) as Problem).detail;
  } catch {
    return 'This is no address of Dossier.';
  }
}
