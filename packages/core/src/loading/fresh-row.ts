import type { ColourId } from '@early-lantern/contract';

/** The line of the packing list from which balloons of a product are blown on site. */
export const freshRow = ({ nominalIn, colour }: { nominalIn: number; colour: ColourId }): string =>
  `balloon ${nominalIn} ${colour}`;
