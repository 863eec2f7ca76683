/** What was, what is, what was undone. */
export interface History<T> {
  past: T[];
  present: T;
  future: T[];
  /** Name of the gesture the last change belonged to; changes of one gesture undo as one. */
  gesture: string | undefined;
}

const LONGEST = 200;

export const beginHistory = <T>(present: T): History<T> => ({
  past: [],
  present,
  future: [],
  gesture: undefined,
});

/** A change; one that continues the last gesture replaces it. */
export function changed<T>(history: History<T>, present: T, gesture?: string): History<T> {
  const continues = gesture !== undefined && gesture === history.gesture;
  const past = continues ? history.past : [...history.past, history.present].slice(-LONGEST);
  return { past, present, future: [], gesture };
}

export function undone<T>(history: History<T>): History<T> {
  const present = history.past.at(-1);
  if (present === undefined) return history;
  return {
    past: history.past.slice(0, -1),
    present,
    future: [history.present, ...history.future],
    gesture: undefined,
  };
}

export function redone<T>(history: History<T>): History<T> {
  const [present, ...future] = history.future;
  if (present === undefined) return history;
  return { past: [...history.past, history.present], present, future, gesture: undefined };
}

/** Every version there was, is, and was undone, each changed alike. */
export const eachVersion = <T>(
  { past, present, future, gesture }: History<T>,
  change: (one: T) => T,
): History<T> => ({
  past: past.map(change),
  present: change(present),
  future: future.map(change),
  gesture,
});
