import { mkdirSync } from 'node:fs';
import type { FastifyReply, FastifyRequest, FastifyServerOptions } from 'fastify';
import { createStream } from 'rotating-file-stream';
import type { Server } from './types.ts';

/** What took longer is noted, ms. */
const SLOW_MS = 1_000;
/** A log grows to so much and is put away, packed; the oldest goes. */
const ROTATED = { size: '5M', maxFiles: 8, compress: 'gzip' } as const;

/** Where the log goes: into files of a folder, in turn. */
export function logFiles(folder: string): FastifyServerOptions['logger'] {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const stream = createStream('server.log', { path: folder, mode: 0o600, ...ROTATED });
  // A full disk ends the log, not the server.
  stream.on('error', () => {});
  return { level: 'info', stream, serializers: { err: plainError } };
}

/**
 * An error as it is logged: what kind, where, and the database's own code. Neither values of a query nor the database's detail, which
 * quotes them.
 */
export function plainError(error: Error & { code?: string; cause?: unknown }): {
  type: string;
  message: string;
  stack: string;
  code?: string;
  cause?: object;
} {
  // Drizzle: "Failed query: select … params: …".
  const message = error.message.split('\nparams:')[0] ?? '';
  const stack = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: error.name,
    message: message.startsWith('Failed query') ? 'Failed query' : withoutValues(message),
    stack: stack.join('\n'),
    ...(error.code ? { code: error.code } : {}),
    ...(error.cause instanceof Error ? { cause: plainError(error.cause) } : {}),
  };
}

/** PostgreSQL quotes names with ", and values in messages such as `invalid input syntax for type integer: "x"` after a colon. */
const withoutValues = (message: string): string => message.replace(/: ".*"$/s, ': …');

/** Notes every change, whatever failed here, and what was slow: by its route, not its address, which may hold what is nobody's business. */
export function noteRequests(server: Server): void {
  server.addHook('onResponse', (request, reply, done) => {
    noteRequest(request, reply);
    done();
  });
}

function noteRequest(request: FastifyRequest, reply: FastifyReply): void {
  const ms = Math.round(reply.elapsedTime);
  const isChange = request.method !== 'GET' && request.method !== 'HEAD';
  if (!isChange && reply.statusCode < 500 && ms < SLOW_MS) return;
  const line = {
    method: request.method,
    route: request.routeOptions.url ?? 'none',
    status: reply.statusCode,
    ms,
    ...(request.principal ? { by: request.principal.account.id } : {}),
  };
  if (reply.statusCode >= 500) request.log.warn(line);
  else request.log.info(line);
}
