import type { Step } from './steps.ts';

/**
 * The assembly card of a piece: how it is made, then every step on the spot in the order in which the clock has them,
 * each with how it is done.
 */
export const cardOf = (making: readonly string[], steps: readonly Step[]): string[] => [
  ...making,
  ...steps.map(({ label, how = [] }) => [`${sentence(label)}.`, ...how].join(' ')),
];

const sentence = (label: string) => label.charAt(0).toUpperCase() + label.slice(1);
