import type { FastifyReply } from 'fastify';

/** Aborted when whoever asked goes away before the answer was sent. */
export function whenGone({ raw }: FastifyReply): AbortSignal {
  const gone = new AbortController();
  raw.once('close', () => {
    if (!raw.writableFinished) gone.abort();
  });
  return gone.signal;
}
