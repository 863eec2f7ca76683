/** A colour in a sentence of a recipe, which knows no names: "{chalk}". */
export const colourMark = (id: string): string => `{${id}}`;

/** A sentence with its colours by name. */
export const withColourNames = (sentence: string, colours: readonly { id: string; name: string }[]): string =>
  sentence.replace(/\{([a-z0-9-]+)\}/g, (_, id) => colours.find((one) => one.id === id)?.name ?? id);
