import type { FastifyReply, FastifyRequest } from 'fastify';
import { sendProblem } from './problem.ts';

const LOCAL = /^(localhost|127(\.\d+){3}|\[::1\])$/;
const PORT = /:\d+$/;

/**
 * A page elsewhere could reach this server by giving its own host name this machine's address (DNS rebinding), so requests for any
 * name that is not one of its own are turned away.
 * @param names its names besides those of loopback
 */
export function ownNamesOnly(names: readonly string[]) {
  const known = new Set(names.map((name) => name.toLowerCase()));
  return (request: FastifyRequest, reply: FastifyReply, done: () => void): void => {
    const name = (request.headers.host ?? '').replace(PORT, '').toLowerCase();
    if (LOCAL.test(name) || known.has(name)) done();
    else
      sendProblem(
        request,
        reply,
        'wrong-address',
        'Open Early Lantern at the address it printed when it started.',
      );
  };
}
