import type { ColourId, Pattern } from '@early-lantern/contract';

/** One layer of packed work: its colours in order round the axis, and how far it is turned. */
export interface LayerColours {
  /** As many as the layer has balloons, read to the left from the front; the first begins at the turn. */
  word: string[];
  /** Half steps to the left round the axis from the lowest layer; a step is one balloon of the layer. */
  halfSteps: number;
}

/**
 * Colours of `count` layers of `n` balloons. Every layer nests half a step on the one below: turned always the same
 * way the colours climb in a spiral, turned to and fro they stand in stripes.
 */
export function layerColours(pattern: Pattern, n: number, count: number): LayerColours[] {
  const { kind, colours, turn, blockLayers } = pattern;
  const at = (index: number) => colours[index % colours.length] as string;
  const round = Array.from({ length: n }, (_, j) => at(j));
  const whole = (colour: ColourId) => Array<string>(n).fill(colour);
  const layer = (i: number): LayerColours => {
    switch (kind) {
      case 'spiral':
        // Read to the left round the axis: what climbs to the right falls back.
        return { word: round, halfSteps: turn === 'left' ? i : 0 - i };
      case 'stripes':
        return { word: round, halfSteps: i % 2 };
      case 'rings':
        return { word: whole(at(i)), halfSteps: i % 2 };
      case 'blocks':
        return { word: whole(at(Math.floor(i / blockLayers))), halfSteps: i % 2 };
      case 'plain':
        return { word: whole(at(0)), halfSteps: i % 2 };
    }
  };
  return Array.from({ length: count }, (_, i) => layer(i));
}
