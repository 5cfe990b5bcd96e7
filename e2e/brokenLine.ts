import { once } from 'node:events';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/**
 * A line to a server that carries no more than so many bytes of one connection upwards and then stands still, until it is broken and mended.
 * @param address of the server, http
 */
export async function brokenLine(address: string, mostBytes: number) {
  const { hostname, port } = new URL(address);
  const open = new Set<Socket>();
  let most = mostBytes;
  let broken = false;
  let stuck = () => {};
  const standsStill = new Promise<void>((resolve) => (stuck = resolve));
  const proxy = createServer((near) => {
    if (broken) return void near.destroy();
    const far = connect(Number(port), hostname);
    let carried = 0;
    near.on('data', (chunk) => {
      const room = Math.max(0, most - carried);
      carried += chunk.length;
      if (room > 0) far.write(chunk.subarray(0, room));
      if (room < chunk.length) stuck();
    });
    far.pipe(near);
    for (const [socket, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(socket);
      socket.on('error', () => other.destroy());
      socket.on('close', () => (other.destroy(), open.delete(socket)));
    }
  });
  proxy.listen(0, '127.0.0.1');
  await once(proxy, 'listening');
  return {
    address: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`,
    standsStill,
    /** Ends every connection, and lets no other come about: a browser tries once more by itself. */
    break() {
      broken = true;
      for (const socket of open) socket.destroy();
    },
    mend() {
      broken = false;
      most = Infinity;
    },
    close() {
      for (const socket of open) socket.destroy();
      proxy.close();
    },
  };
}
