import { createServer } from 'node:net';

/** Whether nobody listens on a loopback port. */
export function portIsFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

/** The first free loopback port from `from` on. */
export async function freePort(from: number): Promise<number> {
  for (let port = from; port < from + 200; port++) if (await portIsFree(port)) return port;
  throw new Error(`No free port between ${from} and ${from + 199}.`);
}
