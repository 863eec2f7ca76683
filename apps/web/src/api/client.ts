import type { Problem } from '@early-lantern/contract';

/** A refusal by the server, with its problem document. */
export class ApiProblem extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail ?? problem.title);
    this.problem = problem;
  }
}

/** The server could not be reached: nothing is known of what it did. */
class Unreachable extends Error {}

/** Whether the same may be answered a moment later: the server is not reached, or has no database just now. */
export const isPassing = (error: unknown): boolean =>
  error instanceof Unreachable || (error instanceof ApiProblem && error.problem.status === 503);

/** Nobody is signed in any more: what was typed waits on this device until somebody is. */
export class SignedOut extends Error {}

let onSignedOut = (): void => {};
/** What is to happen once the server says that nobody is signed in. */
export const whenSignedOut = (act: () => void): void => {
  onSignedOut = act;
};

/** A browser sends no more than so much after its page is gone, bytes. */
const MOST_KEPT_ALIVE = 60_000;

/** A change goes on its way although the page is left meanwhile, as far as browsers do that. */
export function sent(method: string, body: unknown): RequestInit {
  const text = JSON.stringify(body);
  return {
    method,
    headers: { 'content-type': 'application/json' },
    body: text,
    keepalive: new Blob([text]).size <= MOST_KEPT_ALIVE,
  };
}

/**
 * Calls the API.
 * @param within so long and no longer, ms: where the signal is bad nothing may come for minutes
 * @throws ApiProblem when it refuses, Unreachable when it does not answer
 */
export async function call<T>(method: string, path: string, body?: unknown, within?: number): Promise<T> {
  const response = await fetch(`/api/v1${path}`, {
    ...(body === undefined ? { method } : sent(method, body)),
    ...(within === undefined ? {} : { signal: AbortSignal.timeout(within) }),
  }).catch(() => {
    throw new Unreachable('The server does not answer.');
  });
  const text = await response.text();
  const isJson = response.headers.get('content-type')?.includes('json');
  if (!isJson) throw new Unreachable(`The server answered ${response.status} without an explanation.`);
  const document: unknown = JSON.parse(text);
  if (response.ok) return document as T;
  const problem = document as Problem;
  // Wrong passwords are told where they were typed.
  if (problem.code === 'sign-in-first' && !path.startsWith('/sign-in') && path !== '/me/password') {
    onSignedOut();
    throw new SignedOut(problem.detail);
  }
  throw new ApiProblem(problem);
}
