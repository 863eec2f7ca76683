/**
 * Colours round a cluster are a cyclic word: turning the cluster rotates it, turning it over reverses it.
 * Source: the dihedral group acting on necklaces, textbook combinatorics.
 */

type Word = readonly string[];

/** Steps by which `word` must be turned to read as `wanted`; undefined when no turn does it. */
function turnTo(word: Word, wanted: Word): number | undefined {
  if (word.length !== wanted.length) return undefined;
  const n = word.length;
  for (let steps = 0; steps < n; steps++) {
    if (wanted.every((colour, j) => word[(j + steps) % n] === colour)) return steps;
  }
  return undefined;
}

const turnedOver = (word: Word): string[] => [...word].reverse();

export type Match = 'turn' | 'turn over' | 'no match';

/** Whether two clusters agree by turning alone, only by turning one over, or not at all. */
export function matchOf(word: Word, wanted: Word): Match {
  if (turnTo(word, wanted) !== undefined) return 'turn';
  return turnTo(turnedOver(word), wanted) !== undefined ? 'turn over' : 'no match';
}

/** Whether a cluster may go on either way up: its word equals a turn of its own reverse. */
export function isEitherWayUp(word: Word): boolean {
  return turnTo(turnedOver(word), word) !== undefined;
}

/** A layer as it was stacked: its colours from a fixed line at the front, read to the left round the axis. */
export interface StackFault {
  /** From 0 at the bottom. */
  layer: number;
  fault: 'other colours' | 'upside down' | 'no turn' | 'turned back';
}

/**
 * The first layer of a stack that breaks its spiral: one that has other colours, lies upside down, is not turned
 * against the one below, or is turned the other way than the layers before.
 * @param layers words read from the same place at the front, in whole steps, the lowest first
 */
export function firstBreak(layers: readonly Word[]): StackFault | undefined {
  const first = layers[0];
  if (!first) return undefined;
  let direction = 0;
  for (let i = 1; i < layers.length; i++) {
    const layer = layers[i] as Word;
    const match = matchOf(layer, first);
    if (match === 'no match') return { layer: i, fault: 'other colours' };
    if (match === 'turn over') return { layer: i, fault: 'upside down' };
    const step = signedTurn(layers[i - 1] as Word, layer);
    if (step === 0) return { layer: i, fault: 'no turn' };
    if (direction !== 0 && step !== undefined && step !== direction)
      return { layer: i, fault: 'turned back' };
    if (step !== undefined) direction = step;
  }
  return undefined;
}

/** Way of the shorter turn between two layers: 1, −1, 0 for none; undefined where both ways are as short. */
function signedTurn(below: Word, above: Word): number | undefined {
  const n = above.length;
  const turns = Array.from({ length: n }, (_, steps) => steps).filter((steps) =>
    above.every((colour, j) => below[(j + steps) % n] === colour),
  );
  if (turns.includes(0)) return 0;
  const left = Math.min(...turns);
  const right = n - Math.max(...turns);
  if (left === right) return undefined;
  return left < right ? 1 : -1;
}
