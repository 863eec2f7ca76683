import type { Lamp } from '@early-lantern/contract';

/** A lamp that cannot be answered yet, and what it waits for. */
export function unlit(figure: string, reason: string): Lamp {
  return { state: 'unlit', figure, reason, working: [], fixes: [] };
}

/** The questions that wait for what a job does not record yet. */
export const waitingLamps = {
  fits: unlit('needs bags', 'Waits for sizes: bags, vehicle holds and door widths are not recorded yet.'),
  full: unlit(
    'needs a look',
    'Waits for the look-over: the covered share and the largest gap are not measured yet.',
  ),
} satisfies Record<string, Lamp>;
