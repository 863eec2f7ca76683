import type { FullPiece, JobFile } from '@early-lantern/contract';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';

/** Something that the eye will find at a piece. */
export interface LookFault {
  kind: 'gap' | 'string' | 'foot' | 'clump' | 'thin' | 'bend' | 'edge' | 'hidden' | 'corner' | 'accents';
  pieceId: string;
  /** Every guest sees it. */
  isWide: boolean;
  figure: string;
  /** In a sentence, without the name of the piece. */
  says: string;
}

/** All that the eye will find at a piece, what is seen first at the head. */
export function lookFaults(look: FullPiece, { units, colours }: JobFile['workshop']): LookFault[] {
  const { id, gaps, largestGapM, spineSeenM, straightness, evenness, floorContact, clumps, limits } = look;
  const { edgesOpen, largeHidden, corners, accents } = look;
  const { needed, counted, name } = look.fillers;
  const length = (metres: number) => formatLength(metres, units);
  const faults: LookFault[] = [];
  const add = (kind: LookFault['kind'], figure: string, says: string, isWide = false) =>
    faults.push({ kind, pieceId: id, isWide, figure, says });
  const take = (does: string) =>
    needed > counted
      ? ` ${needed} ${name} ${does}, ${counted === 0 ? 'none is' : `${counted} are`} counted.`
      : '';
  if (gaps.length > 0)
    add(
      'gap',
      `${plural(gaps.length, 'gap')}, ${length(largestGapM)} wide`,
      `${plural(gaps.length, 'gap')} of ${length(limits.gapM)} and more, the widest ${length(largestGapM)}.${take('close them')}`,
      largestGapM >= limits.wideM,
    );
  if (spineSeenM >= limits.stringM)
    add(
      'string',
      'what it hangs on shows',
      `${length(spineSeenM)} of what it hangs on shows.${gaps.length > 0 ? '' : take('hide it')}`,
      spineSeenM >= limits.wideM,
    );
  if (floorContact && floorContact.gapM > limits.footM)
    add(
      'foot',
      `foot ${length(floorContact.gapM)} off the floor`,
      `its foot ends ${length(floorContact.gapM)} above the floor.`,
    );
  for (const { colour, balloons, usual } of clumps) {
    const own = colours.find((one) => one.id === colour)?.name ?? colour;
    add(
      'clump',
      `${balloons} ${own} in a clump`,
      `${balloons} balloons in ${own} hang side by side; dealt at random no patch of it has over ${usual}.`,
    );
  }
  if (evenness && evenness.narrowPct < limits.narrowPct)
    add(
      'thin',
      `${Math.round(evenness.narrowPct)} % wide at its narrowest`,
      `at its narrowest it is ${Math.round(evenness.narrowPct)} % as wide as it was to be there.`,
    );
  if (straightness && straightness.offM > limits.offM)
    add(
      'bend',
      `${length(straightness.offM)} off its line`,
      `its middle strays ${length(straightness.offM)} from the line drawn.`,
    );
  for (const { name, of, freeM, evenM } of accents)
    if (freeM > limits.apartTimes * evenM)
      add(
        'accents',
        `${name} crowd together`,
        `its ${of} ${name} crowd together: ${length(freeM)} are without any; spread evenly they are ${length(evenM)} apart.`,
      );
  const [flat] = corners;
  if (flat && flat.reachPct < limits.cornerPct)
    add(
      'corner',
      'a corner slumps',
      `a corner is ${Math.round(flat.reachPct)} % as full as the rest: it looks slumped.`,
    );
  const [open] = edgesOpen;
  if (open)
    add(
      'edge',
      `${length(open.lengthM)} of an edge bare`,
      `${length(open.lengthM)} of the edge it runs along is bare.${edgesOpen.length > 1 ? ` ${plural(edgesOpen.length - 1, 'other stretch', 'other stretches')} as well.` : ''}`,
    );
  if (largeHidden && 100 * largeHidden.hidden.length > limits.hiddenPct * largeHidden.of)
    add(
      'hidden',
      `${largeHidden.hidden.length} of ${largeHidden.of} large ones hide`,
      `${largeHidden.hidden.length} of its ${largeHidden.of} largest hide behind others.`,
    );
  return faults;
}
