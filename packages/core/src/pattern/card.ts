import type { ColourId } from '@early-lantern/contract';
import { isEitherWayUp } from './chirality.ts';
import { type DupletCount, dupletsOf } from './duplets.ts';
import type { LayerColours } from './layers.ts';

/** What the crew needs to stack a packed piece: layer by layer, and how to tell a layer that lies wrong. */
export interface PatternCard {
  layerSize: number;
  /** The lowest first. */
  layers: LayerColours[];
  duplets: DupletCount[];
  /** The test in words. */
  orientation: string;
  /** Layers of one cluster after which the colours stand as they did at the bottom; 0 if they never turn. */
  repeatsAfter: number;
}

/**
 * The card of a stack.
 * @param name how a colour is called
 */
export function patternCard(
  layers: readonly LayerColours[],
  name: (colour: ColourId) => string,
): PatternCard {
  const layerSize = layers[0]?.word.length ?? 0;
  return {
    layerSize,
    layers: [...layers],
    duplets: dupletsOf(layers.map((layer) => layer.word)),
    orientation: orientationTest(layers, name),
    repeatsAfter: layers.some((layer) => Math.abs(layer.halfSteps) > 1) ? 2 * layerSize : 0,
  };
}

function orientationTest(layers: readonly LayerColours[], name: (colour: ColourId) => string): string {
  const words = [...new Map(layers.map(({ word }) => [word.join(' '), word])).values()];
  const word = words.find((one) => !isEitherWayUp(one));
  if (!word) return 'Every layer reads the same either way up: only its turn matters.';
  const [key, ...left] = tellingRun(word);
  const from = runFrom(word, [key as string, ...left]);
  const across = word.length % 2 === 0 ? word[(from + word.length / 2) % word.length] : undefined;
  const start = across
    ? `Opposites first: lay ${name(key as string)} and ${name(across)} over the gaps they belong in`
    : `Key colour first: lay ${name(key as string)} over the gap it belongs in`;
  const neighbours =
    left.length === 1
      ? `the neighbour to its left must be ${name(left[0] as string)}`
      : `to its left must follow ${left.map(name).join(', ')}`;
  const elsewhere =
    word.filter((colour) => colour === key).length > 1
      ? ` If not, try the other ${name(key as string)}; if none has them, it lies wrong side up.`
      : '';
  return `${start}, then ${neighbours}.${elsewhere} Wrong side: turn the cluster over.`;
}

/** Where a run begins in a cyclic word; −1 where it is nowhere. */
const runFrom = (word: readonly string[], run: readonly string[]): number =>
  word.findIndex((_, from) => run.every((colour, i) => word[(from + i) % word.length] === colour));

/**
 * The shortest run of neighbours that a cluster has and that it has nowhere when it is held upside down, so that it
 * cannot be mistaken; of equally short ones one whose key colour stands opposite itself, then the first.
 * @param word not the same either way up
 */
export function tellingRun(word: readonly string[]): string[] {
  const reversed = [...word].reverse();
  const n = word.length;
  const facesItself = (from: number) => n % 2 === 0 && word[from] === word[(from + n / 2) % n];
  const starts = word.map((_, from) => from).sort((a, b) => Number(facesItself(b)) - Number(facesItself(a)));
  for (let length = 2; length <= n; length++) {
    for (const from of starts) {
      const run = Array.from({ length }, (_, i) => word[(from + i) % n] as string);
      if (runFrom(reversed, run) < 0) return run;
    }
  }
  throw new RangeError('the cluster reads the same either way up');
}
