import { type Fault, type Problem, type ProblemCode, problems } from '@early-lantern/contract';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';

type More = Pick<Problem, 'faults' | 'current' | 'requestId'>;

/** An answer other than success, as RFC 9457 describes it. */
export class ProblemError extends Error {
  readonly code: ProblemCode;
  readonly more: More;
  readonly retryAfterS: number | undefined;

  /** @param retryAfterS the same again may succeed after so many seconds */
  constructor(code: ProblemCode, detail: string, more: More = {}, retryAfterS?: number) {
    super(detail);
    this.code = code;
    this.more = more;
    this.retryAfterS = retryAfterS;
  }
}

export const notFound = (what: string) => new ProblemError('not-found', `There is no ${what}.`);

export const taken = (what: string) => new ProblemError('already-there', `${what} exists already.`);

/** Input refused: path and reason of every fault; nothing was stored. */
export const refused = (faults: Fault[]) =>
  new ProblemError('input-refused', 'Nothing was stored. Mend what is listed and send it again.', { faults });

/** Somebody else changed the row first: here is what it is now. */
export const stale = (what: string, current: unknown) =>
  new ProblemError('changed-elsewhere', `${what} was changed since you read it.`, { current });

/** A change that would leave another row without what it names. */
export const inUse = (what: string, by: string) => new ProblemError('in-use', `${what} is used by ${by}.`);

/** @param status where it is not the one that the code has */
export function sendProblem(
  request: FastifyRequest,
  reply: FastifyReply,
  code: ProblemCode,
  detail: string,
  more: More & { status?: number } = {},
): FastifyReply {
  const { status, title } = problems[code];
  const problem: Problem = {
    type: `/api/problems#${code}`,
    code,
    title,
    status,
    detail,
    instance: request.url,
    ...more,
  };
  return reply
    .code(problem.status)
    .type('application/problem+json')
    .serializer((payload) => JSON.stringify(payload))
    .send(problem);
}

/** Class 08, connection exceptions, and 57P, operator intervention, of PostgreSQL's error codes; and the socket's own. */
const LOST_CODES = /^(08|57P)|^(ECONNRESET|ECONNREFUSED|EPIPE|ETIMEDOUT|ENOENT)$/;
const LOST_WORDS =
  /Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect|not queryable/;

/** Whether the database went away under a request, as itself or as the cause of what was thrown. */
function isConnectionLost(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code } = error as { code?: unknown };
  const isLost = (typeof code === 'string' && LOST_CODES.test(code)) || LOST_WORDS.test(error.message);
  return isLost || isConnectionLost(error.cause);
}

/** Whether the database has no room to write, as itself or as the cause of what was thrown (`disk_full`). */
function isDiskFull(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  return (error as { code?: unknown }).code === '53100' || isDiskFull(error.cause);
}

/** Turns whatever was thrown into a problem answer; the unexpected is logged and told without its insides. */
export function answerError(
  error: FastifyError | ProblemError,
  request: FastifyRequest,
  reply: FastifyReply,
): FastifyReply {
  if (error instanceof ProblemError && error.retryAfterS !== undefined)
    reply.header('retry-after', String(error.retryAfterS));
  if (error instanceof ProblemError)
    return sendProblem(request, reply, error.code, error.message, error.more);
  if (isConnectionLost(error)) {
    request.log.error(error);
    const detail = 'Nothing of this was stored. Try again in a moment.';
    return sendProblem(request, reply.header('retry-after', '2'), 'database-silent', detail);
  }
  if (isDiskFull(error)) {
    request.log.error(error);
    const detail = 'Nothing of this was stored. Make room on the disk that holds the data, then try again.';
    return sendProblem(request, reply.header('retry-after', '30'), 'disk-full', detail);
  }
  // Whoever asked has gone, and the work was stopped: nobody reads this.
  if (error.name === 'AbortError') return reply.code(499).send();
  const status = error.statusCode ?? 500;
  if (status < 500) return sendProblem(request, reply, 'request-refused', error.message, { status });
  request.log.error(error);
  return sendProblem(
    request,
    reply,
    'broke-here',
    `Nothing was stored. The log says more under ${request.id}.`,
    {
      requestId: request.id,
    },
  );
}
