import type { Change, Fix, Full, FullPiece, JobFile, Lamp, Plan, Working } from '@early-lantern/contract';
import { fullOf } from '../looks/full.ts';
import { GAP_M, STRING_PEEKS_M } from '../looks/look-of.ts';
import { withFillersNeeded } from '../looks/take-fillers.ts';
import { formatLength, inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { applyChanges } from './fixes.ts';
import { unlit } from './unlit.ts';

/** A gap as wide as this, or a stretch of string as long, is seen by every guest. From memory. */
const WIDE_M = inchesToMetres(4);

/**
 * *Full?* Lit when from the front and half-way to either side no gap is left that a filler would close and the string does
 * not show; low with some, out with a wide one. Only what is dressed organically is settled: packed work closes by its rings.
 */
export function fullLamp({ job, workshop: { units } }: JobFile, { pieces, isQuick }: Full): Lamp {
  if (job.pieces.length === 0) return unlit('no piece yet', 'Draw the first piece: there is nothing to see.');
  if (pieces.length === 0 && isQuick) return unlit('being looked at', 'Known in a moment.');
  if (pieces.length === 0)
    return unlit('needs a look', 'No organic garland here: look it over once it stands.');
  const nameOf = (id: string) => job.pieces.find((piece) => piece.id === id)?.name ?? '';
  const shown = {
    working: isQuick ? [] : pieces.flatMap((one) => workingOf(one, nameOf(one.id))),
    fixes: [],
  };
  const about = isQuick ? 'about ' : '';
  const worst = pieces.reduce((a, b) => (badness(b) > badness(a) ? b : a));
  const gap = formatLength(worst.largestGapM, units);
  const least = formatLength(GAP_M, units);
  const isClosed = worst.gaps.length === 0 && worst.spineSeenM < STRING_PEEKS_M;
  // Roughly and from the front alone nobody knows.
  if (isClosed && isQuick)
    return unlit(`about no gap over ${least}`, 'Seen from the front: the sides in a moment.');
  if (isClosed)
    return {
      state: 'lit',
      figure: `${about}no gap over ${least}`,
      reason: `From the front and both sides no gap is ${least} wide, and no string shows.${tooMany(pieces, nameOf)}`,
      ...shown,
    };
  const { needed, counted, name } = worst.fillers;
  const closes =
    needed > counted
      ? ` ${needed} ${name} close them, ${counted === 0 ? 'none is' : `${counted} are`} counted.`
      : '';
  const shows = worst.spineSeenM >= STRING_PEEKS_M;
  const bare = `${formatLength(worst.spineSeenM, units)} of its string`;
  const told =
    worst.gaps.length > 0
      ? `${nameOf(worst.id)}: ${plural(worst.gaps.length, 'gap')} of ${least} and more, the widest ${gap}.${closes}`
      : `${nameOf(worst.id)}: ${bare} shows.${closes}`;
  const isOut = worst.largestGapM >= WIDE_M || worst.spineSeenM >= WIDE_M;
  return {
    state: isOut ? 'out' : 'low',
    figure:
      worst.gaps.length > 0
        ? `${about}${plural(worst.gaps.length, 'gap')}, ${gap} wide`
        : `${about}string shows`,
    reason: shows && worst.gaps.length > 0 ? `${told} ${bare} shows.` : told,
    ...shown,
  };
}

/** What is worst: a wide gap, or a long stretch of string in sight. */
const badness = ({ largestGapM, spineSeenM }: FullPiece): number => Math.max(largestGapM, spineSeenM);

/** Where many more fillers are counted than it takes, in a sentence. */
function tooMany(pieces: readonly FullPiece[], nameOf: (id: string) => string): string {
  const one = pieces.find(({ fillers }) => fillers.counted > 1.5 * fillers.needed + 2);
  return one
    ? ` ${nameOf(one.id)}: ${one.fillers.needed} ${one.fillers.name} would close it, ${one.fillers.counted} are counted.`
    : '';
}

function workingOf(
  { fillers, seeThroughPct, spineSeenPct, largestGapM }: FullPiece,
  name: string,
): Working[] {
  return [
    working(
      `Fillers that close ${name}`,
      'greedy: the widest gap first, until none is as wide',
      [
        ['counted', fillers.counted],
        ['gap', GAP_M, 'm'],
      ],
      { value: fillers.needed, unit: fillers.name },
      `${DERIVED}: settled as soft balls, seen from the front and 45° either side`,
    ),
    working(
      `Seen through, ${name}`,
      'share of the closed outline without balloons, from the worst side',
      [
        ['before fillers', seeThroughPct.before, '%'],
        ['string seen', spineSeenPct.after, '%'],
        ['widest gap left', largestGapM, 'm'],
      ],
      { value: seeThroughPct.after, unit: '%' },
      `${DERIVED}; a gap of 1.5 in. is closed: ${COMMON_PRACTICE}`,
    ),
  ];
}

/** As many fillers as close every gap: tried on each piece that lacks some. */
export function fullFixes(file: JobFile, { lamps, full, pieces }: Plan): Fix[] {
  if (lamps.full.state !== 'low' && lamps.full.state !== 'out') return [];
  const lacking = full.pieces.filter(({ fillers }) => fillers.needed > fillers.counted);
  const changes = lacking.flatMap(({ id, fillers }): Change[] => {
    const at = file.job.pieces.findIndex((piece) => piece.id === id);
    const piece = file.job.pieces[at];
    const more = piece && withFillersNeeded(piece, pieces[at]?.lengthM ?? 0, fillers);
    return more ? [{ path: `/job/pieces/${at}`, value: more }] : [];
  });
  if (changes.length === 0) return [];
  const tried = fullLamp(file, fullOf(applyChanges(file, changes), false));
  if (tried.state !== 'lit') return [];
  const more = lacking.reduce((sum, { fillers }) => sum + fillers.needed - fillers.counted, 0);
  return [{ label: `Take ${plural(more, 'filler')} more`, gain: tried.figure, changes }];
}
