import type { FastifyReply, FastifyRequest } from 'fastify';
import { sendProblem } from './problem.ts';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
const OWN = new Set(['same-origin', 'none']);

/**
 * A page of another site can make a browser send a form here. What changes something is taken from this server's own
 * pages only, and from programs that are no browser: those send neither `Origin` nor `Sec-Fetch-Site` (Fetch Metadata,
 * W3C).
 */
export async function ownPagesOnly(request: FastifyRequest, reply: FastifyReply): Promise<void> {
  if (READS.has(request.method)) return;
  const { origin, host } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const isOwn = origin === undefined || origin === `http://${host}` || origin === `https://${host}`;
  if (isOwn && (typeof site !== 'string' || OWN.has(site))) return;
  sendProblem(request, reply, 'not-from-here', 'Changes are taken from Early Lantern’s own pages only.');
}
