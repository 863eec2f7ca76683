/** A number typed between limits; nothing typed takes the usual one again. */
export function readBetween(
  text: string,
  min: number,
  max: number,
  take: (value: number | undefined) => void,
) {
  if (!text.trim()) {
    take(undefined);
    return undefined;
  }
  const value = Number(text.replace(',', '.'));
  if (!(value >= min && value <= max)) return `From ${min} to ${max}; blank = the usual`;
  take(value);
  return undefined;
}

/** Figures of the house without one of them: the usual holds again. */
export const without = <T extends object>(from: T, key: keyof T): T =>
  Object.fromEntries(Object.entries(from).filter(([one]) => one !== key)) as T;
