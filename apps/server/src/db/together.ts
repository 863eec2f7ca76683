/** Somebody who waits for what belongs to a key. */
interface Waiting<V> {
  key: string;
  give: (value: V | undefined) => void;
  fail: (error: unknown) => void;
}

/**
 * Asks for many things with one query. Whoever asks while a query is under way waits for the next one, which all who wait by then
 * share: what anybody gets was read after they had asked, never before.
 *
 * @param ask what belongs to each of these keys, by key; a key without an answer is given undefined
 */
export function together<V>(
  ask: (keys: string[]) => Promise<ReadonlyMap<string, V>>,
): (key: string) => Promise<V | undefined> {
  let waiting: Waiting<V>[] = [];
  let isUnderWay = false;
  const go = async () => {
    isUnderWay = true;
    while (waiting.length > 0) {
      const asking = waiting;
      waiting = [];
      try {
        const found = await ask([...new Set(asking.map(({ key }) => key))]);
        for (const { key, give } of asking) give(found.get(key));
      } catch (error) {
        for (const { fail } of asking) fail(error);
      }
    }
    isUnderWay = false;
  };
  return (key) =>
    new Promise((give, fail) => {
      waiting.push({ key, give, fail });
      if (!isUnderWay) void go();
    });
}
