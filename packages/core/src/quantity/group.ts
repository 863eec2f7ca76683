/** Items by what they have in common, in the order in which each group was first met. */
export function groupBy<T, K>(items: Iterable<T>, keyOf: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

export const sumOf = (numbers: Iterable<number>): number => {
  let sum = 0;
  for (const number of numbers) sum += number;
  return sum;
};
