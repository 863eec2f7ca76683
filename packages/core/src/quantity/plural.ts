/** "1 section", "3 sections". */
export function plural(count: number, noun: string, many = `${noun}s`): string {
  return `${count} ${count === 1 ? noun : many}`;
}

/** The singular of a name in the plural: "flower" of "flowers", "bunch" of "bunches". */
const singular = (names: string): string =>
  names.replace(/s(?= of |$)/, '').replace(/bunche(?= of |$)/, 'bunch');

/** "1 flower", "3 flowers", by the name in the plural. */
export const counted = (count: number, names: string): string =>
  `${count} ${count === 1 ? singular(names) : names}`;
