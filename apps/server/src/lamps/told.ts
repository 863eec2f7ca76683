import type { Lamp, Plan, ToldLamps } from '@early-lantern/contract';

/** What the lamps of a plan say, without workings and ways out. */
export function told({ lamps }: Pick<Plan, 'lamps'>): ToldLamps {
  const one = ({ state, figure, reason }: Lamp) => ({ state, figure, reason });
  const { enough, lasts, fits, holds, full, onTime } = lamps;
  return {
    enough: one(enough),
    lasts: one(lasts),
    fits: one(fits),
    holds: one(holds),
    full: one(full),
    onTime: one(onTime),
  };
}
