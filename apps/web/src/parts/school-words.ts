import type { SchoolName } from '@early-lantern/contract';

/** What each school decides, and what it changes. */
export const schoolWords: Record<SchoolName, { question: string; effect: string }> = {
  joining: {
    question: 'Clusters are joined by',
    effect: 'Decides string or line, the time to string, and how firm the base is.',
  },
  tie: {
    question: 'Duplets are tied',
    effect: 'Long necks are needed to join neck to neck and for flat layers.',
  },
  fillerFixing: {
    question: 'Fillers are fixed by',
    effect: 'Decides what is used up and the time for each; bands streak outdoors.',
  },
  sizing: { question: 'Sizes are blown', effect: 'A template makes layers level and takes longer.' },
  inflatedAt: {
    question: 'Inflated',
    effect: 'Moves work and bags between workshop and site, and decides how fresh it hangs.',
  },
  dressing: {
    question: 'Dressed',
    effect: 'Finished sections are quick on site; on the spot one sees the gaps.',
  },
  onPipe: {
    question: 'Layers go on the pipe',
    effect: 'Twisted ones cannot turn in wind; pressed ones are quicker.',
  },
  bloom: { question: 'Shine', effect: 'Treats the dulled surface; never on hot balloons in direct sun.' },
};

/** The schools' choices in words. */
export const schoolValues: Record<string, string> = {
  'string-260': 'modelling balloons',
  'string-neck': 'neck to neck',
  'string-line': 'fishing line',
  long: 'with a long neck',
  tight: 'tight to the balloon',
  'half-260': 'half 260s',
  loop: 'loops of 260s',
  band: 'rubber bands',
  neck: 'their own necks',
  dash: 'adhesive dashes',
  eye: 'by eye, varied',
  template: 'by template, uniform',
  workshop: 'all in the workshop',
  'fillers-on-site': 'base in the workshop, fillers on site',
  'pairs-in-workshop': 'pairs tied in the workshop, base built on site',
  site: 'all on site',
  'on-the-spot': 'base first, then on the spot',
  'finished-sections': 'as finished sections',
  press: 'pressed on',
  twist: 'twisted round',
  none: 'no treatment',
  spray: 'sprayed',
  wipe: 'wiped',
};
