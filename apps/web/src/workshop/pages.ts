/** Pages of the workshop, the often used first; what is seldom touched is behind *Advanced*. */
export const workshopPages = [
  { path: 'house', label: 'House' },
  { path: 'people', label: 'People' },
  { path: 'access', label: 'Access' },
  { path: 'gear', label: 'Gear' },
  { path: 'catalogue', label: 'Colours and materials' },
  { path: 'ways', label: 'How we work' },
  { path: 'history', label: 'History' },
  { path: 'advanced', label: 'Advanced' },
] as const;

export type WorkshopPage = (typeof workshopPages)[number]['path'];
