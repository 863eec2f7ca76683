import type { Socket } from 'node:net';
import type { Server } from './types.ts';

/**
 * Browsers open connections before they need them. One on which nothing was ever asked is not idle to Node and would keep the server
 * from stopping for as long as a request may take to come: it is cut when the server stops.
 */
export function cutUnused(server: Server): void {
  const unused = new Set<Socket>();
  server.server.on('connection', (socket) => {
    unused.add(socket);
    socket.once('close', () => unused.delete(socket));
  });
  server.server.on('request', ({ socket }) => unused.delete(socket));
  server.addHook('preClose', async () => {
    for (const socket of unused) socket.destroy();
  });
}
