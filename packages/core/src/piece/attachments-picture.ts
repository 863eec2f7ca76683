import type { Attachment } from '@early-lantern/contract';
import { chainLength, stationsAt, type XY } from '../geometry/line.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { countOf } from './attachments.ts';
import type { Part } from './part.ts';
import type { DrawnBalloon } from './picture.ts';

/** Drawn this large where no size was typed, in. */
const USUAL_IN = 9;

/** Attachments where they sit: along the part they run along, from its start to its end. */
export function attachmentsPicture(
  attachments: readonly Attachment[],
  parts: readonly Part[],
): DrawnBalloon[] {
  const line = lineOf(parts);
  if (!line) return [];
  const lengthM = chainLength(line);
  return attachments.flatMap((one) => {
    const count = countOf(one);
    const rM = inchesToMetres(one.sizeIn ?? USUAL_IN) / 2;
    return Array.from({ length: Math.min(count, 40) }, (_, i): DrawnBalloon => {
      const along = one.at * lengthM + (i - (count - 1) / 2) * 1.6 * rM;
      const [at] = stationsAt(line, [Math.min(lengthM, Math.max(0, along))]);
      const place = { xM: at?.x ?? 0, yM: at?.y ?? 0, rM, colour: '', role: 'accent' as const };
      return one.what === 'foil' || one.what === 'light'
        ? { ...place, form: 'star' }
        : { ...place, form: 'letter', text: one.name.trim().charAt(0).toUpperCase() };
    });
  });
}

/** The line that shares of a piece's length are counted along: its body, layers or pole, else the first it has. */
function lineOf(parts: readonly Part[]): readonly XY[] | undefined {
  const named = ['body', 'layer', 'pole'].flatMap((id) => parts.find((part) => part.id === id) ?? []);
  return [...named, ...parts].flatMap(({ lines }) => lines)[0];
}
