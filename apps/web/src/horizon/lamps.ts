import type { JobLamps, Lamp, Plan, ToldLamps } from '@early-lantern/contract';

/** Told lamps as they hang on a card: workings and ways out come when one is opened. */
export function asLamps({ lamps }: JobLamps): Plan['lamps'] | undefined {
  if (!lamps) return undefined;
  const whole = (one: ToldLamps[keyof ToldLamps]): Lamp => ({ ...one, working: [], fixes: [] });
  const { enough, lasts, fits, holds, full, onTime } = lamps;
  return {
    enough: whole(enough),
    lasts: whole(lasts),
    fits: whole(fits),
    holds: whole(holds),
    full: whole(full),
    onTime: whole(onTime),
  };
}
