const DIGITS = /^[+-]?(\d+(\.\d*)?|\.\d+)$/;
/** Groups of three, parted by commas, blanks or apostrophes: 1,200 or 12 000 or 1'200.5. */
const GROUPED = /^[+-]?\d{1,3}([,\s'\u2019\u00a0\u202f]\d{3})+(\.\d+)?$/;
/** A comma for the decimal point, not before just three digits: that is a group. */
const DECIMAL_COMMA = /^[+-]?\d+,(\d{1,2}|\d{4,})$/;

/**
 * A number as people write it: `2000`, `2,000`, `2 000.5`, `2,5`. Nothing else is one: no `0x10`, no `1e2`, no blank.
 * @returns undefined for what is no number, or could be two
 */
export function readNumber(text: string): number | undefined {
  const typed = text.trim().replace('\u2212', '-');
  if (DIGITS.test(typed)) return Number(typed);
  if (GROUPED.test(typed)) return Number(typed.replace(/[,\s'\u2019\u00a0\u202f]/g, ''));
  if (DECIMAL_COMMA.test(typed)) return Number(typed.replace(',', '.'));
  return undefined;
}
