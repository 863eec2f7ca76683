/** So many duplets tied of one pair of colours, or trios where a layer has an odd one. */
export interface DupletCount {
  colours: [string, string] | [string, string, string];
  count: number;
}

/**
 * Duplets that make up the layers. Neighbours round the layer are tied to each other: two equal duplets laid side by
 * side give ABAB. Of the two ways to pair a layer off, the one with fewer different pairs is taken, so that every
 * cluster of a pattern is made from the same duplets.
 */
export function dupletsOf(words: readonly (readonly string[])[]): DupletCount[] {
  const counts = new Map<string, DupletCount>();
  for (const word of words) {
    for (const colours of bestPairs(word)) {
      const key = colours.join(' + ');
      counts.set(key, { colours, count: (counts.get(key)?.count ?? 0) + 1 });
    }
  }
  return [...counts.values()].sort((a, b) => b.colours.length - a.colours.length || b.count - a.count);
}

type Pair = DupletCount['colours'];

/** A layer tied off: in duplets, the odd one in a trio with two neighbours; of all turns the one of fewest kinds. */
function bestPairs(word: readonly string[]): Pair[] {
  const turns = word.length % 2 ? word.map((_, i) => i) : [0, 1];
  const ways = turns.map((turn) => pairs([...word.slice(turn), ...word.slice(0, turn)]));
  return ways.reduce((best, way) => (kinds(way) < kinds(best) ? way : best));
}

const kinds = (found: readonly Pair[]) => new Set(found.map((pair) => pair.join(' '))).size;

function pairs(word: readonly string[]): Pair[] {
  const odd = word.length % 2;
  const found: Pair[] = odd ? [word.slice(0, 3).sort() as Pair] : [];
  for (let i = odd ? 3 : 0; i + 1 < word.length; i += 2) found.push(word.slice(i, i + 2).sort() as Pair);
  return found;
}
