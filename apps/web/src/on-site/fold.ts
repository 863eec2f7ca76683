/** A text as it is looked for: whatever its case, accents and blanks. */
export const fold = (text: string): string =>
  text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().replace(/\s+/g, ' ').trim();
