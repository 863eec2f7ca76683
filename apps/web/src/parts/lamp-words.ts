import type { LampName, LampState } from '@early-lantern/contract';

/** The six questions, as they are asked. */
export const lampWords: Record<LampName, { word: string; question: string }> = {
  enough: { word: 'Enough', question: 'Are there balloons and materials for it, with spares?' },
  lasts: { word: 'Lasts', question: 'Will it still look right at the end of the event?' },
  fits: { word: 'Fits', question: 'Does it go into the bags, vehicles and doors we have?' },
  holds: { word: 'Holds', question: 'Will it stay up, and the place unharmed?' },
  full: { word: 'Full', question: 'Will mechanics, gaps or colour clumps show?' },
  onTime: { word: 'On time', question: 'Is it built, checked and signed off before doors?' },
};

const troubles: Record<LampName, { out: string; low: string }> = {
  enough: { out: 'Short of stock', low: 'Stock is tight' },
  lasts: { out: 'It does not last', low: 'It only just lasts' },
  fits: { out: 'It does not fit', low: 'It only just fits' },
  holds: { out: 'It does not hold', low: 'It only just holds' },
  full: { out: 'It does not look full', low: 'It looks thin' },
  onTime: { out: 'Not on time', low: 'Time is tight' },
};

/** What a lamp says in a word or two: its trouble, else that all is well or not known yet. */
export const lampSays = (name: LampName, state: LampState): string =>
  state === 'out' || state === 'low'
    ? troubles[name][state]
    : `${lampWords[name].word}: ${state === 'lit' ? 'yes' : 'not known yet'}`;
