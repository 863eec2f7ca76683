import type { FastifyReply, FastifyRequest } from 'fastify';
import { sendProblem } from './problem.ts';

const LOCAL = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/;

/**
 * The server listens on loopback and asks nobody to sign in. A page elsewhere could still reach it by giving its own
 * host name this machine's address (DNS rebinding), so requests for any other name are turned away.
 */
export async function localHostOnly(request: FastifyRequest, reply: FastifyReply): Promise<void> {
  if (LOCAL.test(request.headers.host ?? '')) return;
  sendProblem(
    request,
    reply,
    'wrong-address',
    'Open Early Lantern at the address it printed when it started.',
  );
}
