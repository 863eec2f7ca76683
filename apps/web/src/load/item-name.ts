import type { LoadedItem } from '@early-lantern/contract';

/** What a thing is called in a load; with where it comes off, where that is one of several places. */
export const itemName = ({ label, place }: Pick<LoadedItem, 'label' | 'place'>): string =>
  place ? `${label} → ${place}` : label;
