import { randomHex } from './random-hex.ts';

const KEPT_AS = 'early-lantern-device';

/** The name by which this browser's entries are told from those of others: made once, and kept. */
export function deviceName(): string {
  try {
    const known = localStorage.getItem(KEPT_AS);
    if (known) return known;
    const made = `device-${randomHex(4)}`;
    localStorage.setItem(KEPT_AS, made);
    return made;
  } catch {
    // A browser that keeps nothing has a new name each time.
    return `device-${randomHex(4)}`;
  }
}
