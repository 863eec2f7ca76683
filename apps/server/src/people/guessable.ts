import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { ProblemError } from '../http/problem.ts';

/** Below this many guesses, as a power of ten, a password is found by those who try the known ones first. */
const LEAST_GUESSES_LOG10 = 6;

/** Made when the first one is chosen: its lists of passwords that were found elsewhere take a moment to be read. */
let judge: ZxcvbnFactory | undefined;

/**
 * Passwords that were breached elsewhere, and what is made of them by repeating, spelling or counting on (OWASP ASVS 4, V2.1.7;
 * lists and estimate: zxcvbn, Wheeler, USENIX Security 2016).
 * @throws ProblemError with what to do instead
 */
export function requireHardToGuess(password: string): void {
  judge ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  if (judge.check(password).guessesLog10 >= LEAST_GUESSES_LOG10) return;
  throw new ProblemError(
    'input-refused',
    'That password is among the first that are tried. Three or four words that do not belong together are better.',
  );
}
