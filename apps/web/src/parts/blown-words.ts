import { isModelling } from '@early-lantern/core';

/** What a balloon is blown to, in words; a modelling balloon is blown as its card says, not to a diameter. */
export const blownWords = (
  { nominalIn }: { nominalIn: number },
  to: { min: number; max: number },
  range: (to: { min: number; max: number }) => string,
): string => (isModelling(nominalIn) ? 'see card' : range(to));
