/** Colours of what is no balloon. */
export const boxTones = {
  base: '#6d6a63',
  cloth: '#d9d2dd',
  greenery: '#8aa079',
  board: '#dcd3c2',
  panel: '#e3e6dc',
  sign: '#fffaf0',
  prop: '#cdbfa6',
} as const;
export const lineTones = { pipe: '#d5d3cc', thread: '#7c7466', ribbon: '#b9ad98' } as const;
