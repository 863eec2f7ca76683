const KEPT_AS = 'early-lantern-device';

/** The name by which this browser's entries are told from those of others: made once, and kept. */
export function deviceName(): string {
  try {
    const known = localStorage.getItem(KEPT_AS);
    if (known) return known;
    const made = `device-${hex(4)}`;
    localStorage.setItem(KEPT_AS, made);
    return made;
  } catch {
    // A browser that keeps nothing has a new name each time.
    return `device-${hex(4)}`;
  }
}

const hex = (bytes: number): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(bytes)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('');
