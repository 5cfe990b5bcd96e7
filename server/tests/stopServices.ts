import { rmSync } from 'node:fs';
import type { Service } from './services';

export default async function stopServices(): Promise<void> {
  const { testServices = [] } = globalThis as { testServices?: Service[] };
  await Promise.all(testServices.map((service) => service.stop()));
  if (process.env.DOSSIER_TEST_BACKUPS) rmSync(process.env.DOSSIER_TEST_BACKUPS, { recursive: true, force: true });
}
