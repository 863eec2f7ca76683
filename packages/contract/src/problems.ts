import { z } from 'zod';

/** Whatever may be answered instead of what was asked for: by its code, with its status and what it means for whoever asked. */
export const problems = {
  'request-refused': {
    status: 400,
    title: 'Request refused',
    meaning: 'It could not be read, or is too large.',
  },
  'sign-in-first': {
    status: 401,
    title: 'Sign in first',
    meaning: 'Whoever asks is not signed in, or no longer.',
  },
  'not-allowed': {
    status: 403,
    title: 'Not allowed',
    meaning: 'The role of whoever asks does not include it.',
  },
  'not-from-here': {
    status: 403,
    title: 'Not from here',
    meaning: 'A page of another site asked for a change.',
  },
  'not-found': { status: 404, title: 'Not found', meaning: 'It is not there, or no longer.' },
  'already-there': { status: 409, title: 'Already there', meaning: 'There is one of that id.' },
  'changed-elsewhere': {
    status: 409,
    title: 'Changed elsewhere',
    meaning:
      'It was changed since it was read; `current` is what it is now. Put both together and send it again.',
  },
  'in-use': { status: 409, title: 'In use', meaning: 'Something else names it, and would be left without.' },
  'wrong-address': {
    status: 421,
    title: 'Wrong address',
    meaning: 'The host asked for is not this server’s.',
  },
  'input-refused': {
    status: 422,
    title: 'Input refused',
    meaning: 'Nothing was stored; `faults` lists path and reason of everything that is wrong.',
  },
  'too-many-tries': {
    status: 429,
    title: 'Too many tries',
    meaning: 'Wrong passwords or too many requests. The same again after `Retry-After` seconds may succeed.',
  },
  'backup-failed': { status: 500, title: 'No backup was made', meaning: '`detail` says why.' },
  'broke-here': {
    status: 500,
    title: 'Something broke here',
    meaning: 'A fault of this program. Nothing was stored; the log has more under `requestId`.',
  },
  'database-silent': {
    status: 503,
    title: 'The database does not answer',
    meaning: 'Nothing was stored. The same again after `Retry-After` seconds may succeed.',
  },
  'disk-full': {
    status: 507,
    title: 'The disk is full',
    meaning:
      'Nothing was stored, and what was there is unharmed. Make room on the disk of the data, then send it again.',
  },
  'took-too-long': {
    status: 503,
    title: 'Took too long',
    meaning: 'The work was stopped. Nothing was changed.',
  },
} as const satisfies Record<string, { status: number; title: string; meaning: string }>;

export type ProblemCode = keyof typeof problems;

/** An answer other than success (RFC 9457). */
export const Problem = z.object({
  /** Where the code is explained. */
  type: z.string(),
  /** For programs: the words beside it may change. */
  code: z.enum(Object.keys(problems) as [ProblemCode, ...ProblemCode[]]),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  instance: z.string().optional(),
  /** Of a fault of the program: by it the log tells more. */
  requestId: z.string().optional(),
  faults: z.array(z.object({ path: z.string(), reason: z.string() })).optional(),
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof Problem>;
