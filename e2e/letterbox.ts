import { randomUUID } from 'node:crypto';
import { expect, type Page } from '@playwright/test';

const { smtpPort, webPort } = JSON.parse(process.env.DOSSIER_E2E_LETTERBOX!) as { smtpPort: number; webPort: number };
export const LETTERBOX = `http://127.0.0.1:${webPort}`;

/** A mail as the stand-in of everybody's mail server has it. */
interface There {
  id: string;
  to: string;
  text: string;
  subject: string;
  headers: Record<string, string>;
  attachments: { name: string; type: string; text?: string }[];
}

export async function mailsTo(page: Page, to: string): Promise<There[]> {
  const answer = await page.request.get(`${LETTERBOX}/api/messages?to=${encodeURIComponent(to)}`);
  return ((await answer.json()) as { items: There[] }).items;
}

/** A team that sends at any hour. */
export async function setMailUp(page: Page): Promise<void> {
  const data = {
    out: { host: '127.0.0.1', port: smtpPort, security: 'none' },
    incoming: null,
    senders: [{ address: `${randomUUID()}@keldermoss.example`, name: 'Ottilie Brandt', accountId: null }],
    perMinute: 600,
    quietFrom: '00:00',
    quietTo: '00:00',
    onDaysOff: true,
    footer: 'Kelder & Moss, Quay 4, Port Ellery',
  };
  expect((await page.request.put('/api/v1/mail', { data })).status()).toBe(204);
}
