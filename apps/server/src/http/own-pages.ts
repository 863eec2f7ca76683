import type { FastifyReply, FastifyRequest } from 'fastify';
import { sendProblem } from './problem.ts';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
const OWN = new Set(['same-origin', 'none']);

/**
 * A page of another site can make a browser send a form here. What changes something is taken from this server's own
 * pages only, and from programs that are no browser: those send neither `Origin` nor `Sec-Fetch-Site` (Fetch Metadata,
 * W3C).
 */
export function ownPagesOnly(request: FastifyRequest, reply: FastifyReply, done: () => void): void {
  if (READS.has(request.method) || isFromOwnPage(request)) done();
  else sendProblem(request, reply, 'not-from-here', 'Changes are taken from Early Lantern’s own pages only.');
}

function isFromOwnPage({ headers }: FastifyRequest): boolean {
  const { origin, host } = headers;
  const site = headers['sec-fetch-site'];
  const isOwn = origin === undefined || origin === `http://${host}` || origin === `https://${host}`;
  return isOwn && (typeof site !== 'string' || OWN.has(site));
}
