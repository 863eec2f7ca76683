import type { KeyboardEvent } from 'react';

/** Steps at once while Shift is held. */
const LONG = 6;

/**
 * Where an arrow key moves something: right and up on the drawing, in metres; undefined for any other key.
 * @param stepM one press
 */
export function arrowMove(
  { key, shiftKey }: Pick<KeyboardEvent, 'key' | 'shiftKey'>,
  stepM: number,
): [right: number, up: number] | undefined {
  const step = shiftKey ? LONG * stepM : stepM;
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
  };
  return moves[key];
}
