import type { Changed } from '@early-lantern/contract';
import type { RouteOptions, Server } from '../http/types.ts';

/** A stream without a word for so long is cut by what lies between, ms. */
const BEAT_MS = 20_000;
/** A page whose stream broke opens it again after so long, ms. */
const AGAIN_MS = 1_000;

/** What is changed, told to open pages as it happens: server-sent events (WHATWG HTML). */
export async function eventRoutes(server: Server, { events }: RouteOptions): Promise<void> {
  const open = new Set<() => void>();
  // A stream has no end of its own: the server's stop must not wait for it.
  server.addHook('preClose', async () => {
    for (const end of open) end();
  });

  server.get(
    '/events',
    {
      config: { right: 'look' },
      schema: {
        tags: ['events'],
        summary: 'What is changed, as it happens: a stream of events "changed", each with its data as JSON',
      },
    },
    ({ workshop: own }, reply) => {
      reply.hijack();
      const { raw } = reply;
      raw.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store',
        'x-accel-buffering': 'no',
        // Ended with the stream: kept for another request it would keep the server from stopping.
        connection: 'close',
      });
      raw.write(`retry: ${AGAIN_MS}\n\n`);
      const tell = (change: Changed) => raw.write(`event: changed\ndata: ${JSON.stringify(change)}\n\n`);
      const stop = events.subscribe(({ workshop, ...change }) => {
        if (workshop === own || workshop === '') tell(change);
      });
      const beat = setInterval(() => raw.write(':\n\n'), BEAT_MS);
      const end = () => raw.end();
      open.add(end);
      raw.once('close', () => {
        clearInterval(beat);
        stop();
        open.delete(end);
      });
    },
  );
}
