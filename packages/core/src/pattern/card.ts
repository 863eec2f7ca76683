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
export function patternCard(layers: readonly LayerColours[], name: (colour: string) => string): PatternCard {
  const layerSize = layers[0]?.word.length ?? 0;
  return {
    layerSize,
    layers: [...layers],
    duplets: dupletsOf(layers.map((layer) => layer.word)),
    orientation: orientationTest(layers, name),
    repeatsAfter: layers.some((layer) => Math.abs(layer.halfSteps) > 1) ? 2 * layerSize : 0,
  };
}

function orientationTest(layers: readonly LayerColours[], name: (colour: string) => string): string {
  const words = [...new Map(layers.map(({ word }) => [word.join(' '), word])).values()];
  if (words.every((word) => isEitherWayUp(word)))
    return 'Every layer reads the same either way up: only its turn matters.';
  const word = words.find((one) => !isEitherWayUp(one)) as string[];
  const opposites = oppositePair(word);
  const first = name(word[opposites?.at ?? 0] as string);
  const neighbour = name(word[((opposites?.at ?? 0) + 1) % word.length] as string);
  const line = opposites
    ? `Opposites first: lay ${first} and ${name(opposites.across)} over the gaps they belong in`
    : `Key colour first: lay ${first} over the gap it belongs in`;
  return `${line}, then the neighbour to its left must be ${neighbour}. Wrong side: turn the cluster over.`;
}

/** A colour and the one across from it, where the layer has opposites. */
function oppositePair(word: readonly string[]): { at: number; across: string } | undefined {
  if (word.length % 2) return undefined;
  const half = word.length / 2;
  // The key colour stands opposite itself where it can.
  const at = word.findIndex((colour, j) => word[(j + half) % word.length] === colour);
  const from = at >= 0 ? at : 0;
  return { at: from, across: word[(from + half) % word.length] as string };
}
