import { clockTime, dayName } from '../parts/time.ts';

/** Units that a field's name ends with. */
const UNIT = /(M|In|Kg|Min|Pct|Ms|N|W|C)$/;
const own: Record<string, string> = {
  xM: 'across',
  yM: 'up',
  frontM: 'distance from the wall',
  on: 'what it hangs on',
};

/** A field of a job or a piece as it may be spoken of: `access.from` → "access from", `line.2.xM` → "line 3 across". */
export function fieldWords(path: string): string {
  return path
    .split('.')
    .map((step) => {
      if (/^\d+$/.test(step)) return String(Number(step) + 1);
      return (
        own[step] ??
        step
          .replace(UNIT, '')
          .replace(/([a-z])([A-Z])/g, '$1 $2')
          .toLowerCase()
      );
    })
    .join(' ');
}

const INSTANT = /^\d{4}-\d\d-\d\dT\d\d:\d\d/;

/** What a field holds, as it is spoken of: lengths in the shop's unit, moments by its clock, lists by their number. */
export function valueWords(
  path: string,
  value: unknown,
  zone: string,
  long: (metres: number) => string,
): string {
  if (value === undefined || value === null || value === '') return '—';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return path.endsWith('M') ? long(value) : String(Number(value.toFixed(2)));
  if (typeof value === 'string')
    return INSTANT.test(value) ? `${dayName(value, zone)}, ${clockTime(value, zone)}` : value;
  if (Array.isArray(value))
    return value.every((one) => typeof one !== 'object') ? value.join(', ') : `${value.length} of them`;
  return 'changed';
}
