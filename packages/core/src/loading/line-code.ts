/** Digits and capitals without those that are taken for each other: I, L, O and U. Crockford's base 32 (from memory). */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const LENGTH = 5;

/**
 * The short code of a line of the packing list, on the label of its thing and typed where no camera reads it: the same line has the same
 * code in every job, so that a label stays on the thing. Of a hundred lines two share one once in seven thousand lists: then both are shown.
 *
 * @param id of the line
 */
export function lineCode(id: string): string {
  let rest = fnv1a(id);
  let code = '';
  for (let i = 0; i < LENGTH; i++) {
    code = SIGNS[rest % 32] + code;
    rest = Math.floor(rest / 32);
  }
  return code;
}

/** A code as it was typed or scanned, whatever its case, blanks and look-alikes; undefined where it is none. */
export function readLineCode(text: string): string | undefined {
  const signs = text.toUpperCase().replace(/[\s-]/g, '').replace(/O/g, '0').replace(/[IL]/g, '1');
  return signs.length === LENGTH && [...signs].every((sign) => SIGNS.includes(sign)) ? signs : undefined;
}

/** 32 bits of a text's UTF-8. The FNV-1a hash of Fowler, Noll and Vo (constants from memory; held against its own test vectors). */
function fnv1a(text: string): number {
  let hash = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(text)) hash = Math.imul(hash ^ byte, 0x01000193) >>> 0;
  return hash;
}
