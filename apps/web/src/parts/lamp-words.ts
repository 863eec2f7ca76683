import type { LampName } from '@early-lantern/contract';

/** The six questions, as they are asked. */
export const lampWords: Record<LampName, { word: string; question: string }> = {
  enough: { word: 'Enough', question: 'Are there balloons and materials for it, with spares?' },
  lasts: { word: 'Lasts', question: 'Will it still look right at the end of the event?' },
  fits: { word: 'Fits', question: 'Does it go into the bags, vehicles and doors we have?' },
  holds: { word: 'Holds', question: 'Will it stay up, and the place unharmed?' },
  full: { word: 'Full', question: 'Will mechanics, gaps or colour clumps show?' },
  onTime: { word: 'On time', question: 'Is it built, checked and signed off before doors?' },
};
