import type { Service } from './services';

export default async function stopServices(): Promise<void> {
  const { testServices = [] } = globalThis as { testServices?: Service[] };
  await Promise.all(testServices.map((service) => service.stop()));
}
