interface Known<T> {
  inputs: readonly unknown[];
  answer: T;
}

/**
 * Remembers for each object, by identity, the last answer, until what it was worked out from is another: a piece is never
 * changed in place, so that the same piece with the same inputs has the same answer.
 * @param inputs all that the answer depends on besides the piece, compared one by one with `Object.is`
 */
export function memoByPiece<P extends object, A extends readonly unknown[], T>(
  inputs: (piece: P, ...rest: A) => readonly unknown[],
  workOut: (piece: P, ...rest: A) => T,
): (piece: P, ...rest: A) => T {
  const known = new WeakMap<P, Known<T>>();
  return (piece, ...rest) => {
    const asked = inputs(piece, ...rest);
    const before = known.get(piece);
    if (
      before &&
      before.inputs.length === asked.length &&
      before.inputs.every((one, i) => Object.is(one, asked[i]))
    )
      return before.answer;
    const answer = workOut(piece, ...rest);
    known.set(piece, { inputs: asked, answer });
    return answer;
  };
}

/** As `memoByPiece`, for two pieces of which neither is changed in place. */
export function memoByPair<P extends object, A extends readonly unknown[], T>(
  inputs: (one: P, other: P, ...rest: A) => readonly unknown[],
  workOut: (one: P, other: P, ...rest: A) => T,
): (one: P, other: P, ...rest: A) => T {
  const withOne = memoByPiece<P, [], (other: P, ...rest: A) => T>(
    () => [],
    (one) =>
      memoByPiece<P, A, T>(
        (other, ...rest) => inputs(one, other, ...rest),
        (other, ...rest) => workOut(one, other, ...rest),
      ),
  );
  return (one, other, ...rest) => withOne(one)(other, ...rest);
}
