import type { Fault, Problem } from '@early-lantern/contract';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';

/** An answer other than success, as RFC 9457 describes it. */
export class ProblemError extends Error {
  readonly status: number;
  readonly title: string;
  readonly more: Pick<Problem, 'faults' | 'current'>;

  constructor(status: number, title: string, detail: string, more: Pick<Problem, 'faults' | 'current'> = {}) {
    super(detail);
    this.status = status;
    this.title = title;
    this.more = more;
  }
}

export const notFound = (what: string) => new ProblemError(404, 'Not found', `There is no ${what}.`);

export const taken = (what: string) => new ProblemError(409, 'Already there', `${what} exists already.`);

/** Input refused: path and reason of every fault; nothing was stored. */
export const refused = (faults: Fault[]) =>
  new ProblemError(422, 'Input refused', 'Nothing was stored. Mend what is listed and send it again.', {
    faults,
  });

/** Somebody else changed the row first: here is what it is now. */
export const stale = (what: string, current: unknown) =>
  new ProblemError(409, 'Changed elsewhere', `${what} was changed since you read it.`, { current });

/** A change that would leave another row without what it names. */
export const inUse = (what: string, by: string) =>
  new ProblemError(409, 'In use', `${what} is used by ${by}.`);

export function sendProblem(request: FastifyRequest, reply: FastifyReply, problem: Problem): FastifyReply {
  return reply
    .code(problem.status)
    .type('application/problem+json')
    .serializer((payload) => JSON.stringify(payload))
    .send({ ...problem, instance: request.url });
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

/** Turns whatever was thrown into a problem answer; the unexpected is logged and told without its insides. */
export function answerError(
  error: FastifyError | ProblemError,
  request: FastifyRequest,
  reply: FastifyReply,
): FastifyReply {
  if (error instanceof ProblemError) {
    const { status, title, message, more } = error;
    return sendProblem(request, reply, { type: 'about:blank', status, title, detail: message, ...more });
  }
  if (isConnectionLost(error)) {
    request.log.error(error);
    return sendProblem(request, reply.header('retry-after', '2'), {
      type: 'about:blank',
      status: 503,
      title: 'The database does not answer',
      detail: 'Nothing of this was stored. Try again in a moment.',
    });
  }
  // Whoever asked has gone, and the work was stopped: nobody reads this.
  if (error.name === 'AbortError') return reply.code(499).send();
  const status = error.statusCode ?? 500;
  if (status < 500) {
    return sendProblem(request, reply, {
      type: 'about:blank',
      status,
      title: 'Request refused',
      detail: error.message,
    });
  }
  request.log.error(error);
  return sendProblem(request, reply, {
    type: 'about:blank',
    status,
    title: 'Something broke here',
    detail: 'The change was not stored. The log says more.',
  });
}
