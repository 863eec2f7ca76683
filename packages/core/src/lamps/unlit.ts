import type { Lamp } from '@early-lantern/contract';

/** A lamp that cannot be answered yet, and what it waits for. */
export function unlit(figure: string, reason: string): Lamp {
  return { state: 'unlit', figure, reason, working: [], fixes: [] };
}
