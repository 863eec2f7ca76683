import type { Lamp } from '@early-lantern/contract';

/** A lamp that cannot be answered yet, and what it waits for. */
export function unlit(figure: string, reason: string): Lamp {
  return { state: 'unlit', figure, reason, working: [], fixes: [] };
}

/** Waits for what no job records yet. */
export const fullLamp: Lamp = unlit(
  'needs a look',
  'Waits for the look-over: the covered share and the largest gap are not measured yet.',
);
