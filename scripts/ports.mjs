import { createServer } from 'node:net';
import { SetUpError } from './processes.mjs';

const tryPort = (port, host) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(undefined));
    probe.listen(port, host, () => {
      const free = probe.address().port;
      probe.close(() => resolve(free));
    });
  });

/** @throws SetUpError that says which setting to change when the port is taken */
export async function requireFreePort(port, host, setting) {
  if (!(await tryPort(port, host))) {
    throw new SetUpError(`Port ${port} is taken by another program. Choose a free one: ${setting}=PORT npm start`);
  }
}

export const anyFreePort = () => tryPort(0, '127.0.0.1');
