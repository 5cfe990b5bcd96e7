import { api, runAs, worker } from './program';

/** One program, two roles: `api` answers requests, `worker` reads photographs. As many of each as wanted. */
const ROLES = {
  api: () => runAs('api', api),
  worker: async () => {
    const { ReadingPool } = await import('@dossier/reader');
    await runAs(
      'worker',
      worker(({ readingLanes }) => new ReadingPool(readingLanes)),
    );
  },
};

const role = process.argv[2] as keyof typeof ROLES;
if (!Object.hasOwn(ROLES, role)) {
  console.error(`Say which role to run: ${Object.keys(ROLES).join(' or ')}.`);
  process.exit(2);
}
await ROLES[role]();
