/** So many duplets tied of one pair of colours, or single balloons where a layer has an odd one. */
export interface DupletCount {
  colours: [string, string] | [string];
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

function bestPairs(word: readonly string[]): Pair[] {
  const straight = pairs(word);
  if (word.length % 2) return straight;
  const shifted = pairs([...word.slice(1), word[0] as string]);
  return kinds(shifted) < kinds(straight) ? shifted : straight;
}

const kinds = (found: readonly Pair[]) => new Set(found.map((pair) => pair.join(' '))).size;

function pairs(word: readonly string[]): Pair[] {
  const found: Pair[] = [];
  for (let i = 0; i + 1 < word.length; i += 2) {
    found.push([word[i] as string, word[i + 1] as string].sort() as Pair);
  }
  if (word.length % 2) found.push([word.at(-1) as string]);
  return found;
}
