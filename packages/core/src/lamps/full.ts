import type { Full, FullPiece, JobFile, Lamp, Working } from '@early-lantern/contract';
import { formatLength } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { COMMON_PRACTICE, DERIVED, working } from '../working.ts';
import { type LookFault, lookFaults } from './look-faults.ts';
import { unlit } from './unlit.ts';

/**
 * *Full?* Lit when from the front and half-way to either side no gap is left that a filler would close, no string shows, the
 * foot meets the floor, the outline keeps to its line and width, the largest face the front, edges are covered and no colour
 * clumps; low with some of that, out where every
 * guest sees it. What is dressed organically is settled first; packed work lies as its rings nest.
 */
export function fullLamp({ job, workshop }: JobFile, { pieces, isQuick }: Full): Lamp {
  if (job.pieces.length === 0) return unlit('no piece yet', 'Draw the first piece: there is nothing to see.');
  if (pieces.length === 0 && isQuick) return unlit('being looked at', 'Known in a moment.');
  const [first] = pieces;
  if (!first) return unlit('no balloons', 'Nothing here is made of balloons.');
  const nameOf = (id: string) => job.pieces.find((piece) => piece.id === id)?.name ?? '';
  const faults = pieces.flatMap((one) => lookFaults(one, workshop));
  const worst = worstOf(faults, pieces);
  const least = formatLength(Math.max(...pieces.map(({ limits }) => limits.gapM)), workshop.units);
  const shown = {
    working: isQuick ? [] : pieces.flatMap((one) => (one.isOpen ? [] : workingOf(one, nameOf(one.id)))),
    fixes: [],
  };
  if (pieces.every(({ isOpen }) => isOpen))
    return {
      state: 'lit',
      figure: 'nothing to close',
      reason: 'It is made with air between its balloons. What to look at once it hangs is on the run sheet.',
      ...shown,
    };
  // Roughly and from the front alone nobody knows.
  if (!worst && isQuick)
    return unlit(`about no gap over ${least}`, 'Seen from the front: the sides in a moment.');
  if (!worst)
    return {
      state: 'lit',
      figure: `no gap over ${least}`,
      reason: `From the front and both sides no gap is ${least} wide, nothing they hang on shows, and no colour clumps.${tooMany(pieces, nameOf)}`,
      ...shown,
    };
  const others = faults.length - 1;
  const own = faults.filter(({ pieceId }) => pieceId === worst.pieceId).slice(0, 2);
  return {
    state: faults.some(({ isWide }) => isWide) ? 'out' : 'low',
    figure: `${isQuick ? 'about ' : ''}${worst.figure}`,
    reason: [
      `${nameOf(worst.pieceId)}: ${own.map(({ says }, i) => (i === 0 ? says : capital(says))).join(' ')}`,
      ...(others > own.length - 1 ? [`${plural(others - own.length + 1, 'other thing')} to look at.`] : []),
    ].join(' '),
    ...shown,
  };
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** The fault that is told: of the piece with the widest gap or the longest bare stretch, else the first there is. */
function worstOf(faults: readonly LookFault[], pieces: readonly FullPiece[]): LookFault | undefined {
  const badness = (id: string) =>
    Math.max(
      ...pieces.filter((one) => one.id === id).map((one) => Math.max(one.largestGapM, one.spineSeenM)),
    );
  return [...faults].sort(
    (one, other) =>
      Number(other.isWide) - Number(one.isWide) || badness(other.pieceId) - badness(one.pieceId),
  )[0];
}

/** Where many more fillers are counted than it takes, in a sentence. */
function tooMany(pieces: readonly FullPiece[], nameOf: (id: string) => string): string {
  const one = pieces.find(({ fillers }) => fillers.counted > 1.5 * fillers.needed + 2);
  return one
    ? ` ${nameOf(one.id)}: ${one.fillers.needed} ${one.fillers.name} would close it, ${one.fillers.counted} are counted.`
    : '';
}

const LOOKED = `${DERIVED}: settled as soft balls, seen from the front and 45° either side`;

function workingOf(look: FullPiece, name: string): Working[] {
  const { fillers, seeThroughPct, spineSeenPct, largestGapM, straightness, evenness, floorContact, limits } =
    look;
  return [
    ...(fillers.needed + fillers.counted > 0
      ? [
          working(
            `Fillers that close ${name}`,
            'greedy: the widest gap first, until none is as wide',
            [
              ['counted', fillers.counted],
              ['gap', limits.gapM, 'm'],
            ],
            { value: fillers.needed, unit: fillers.name },
            LOOKED,
          ),
        ]
      : []),
    working(
      `Seen through, ${name}`,
      'share of the closed outline without balloons, from the worst side',
      [
        ['before fillers', seeThroughPct.before, '%'],
        ['string seen', spineSeenPct.after, '%'],
        ['widest gap left', largestGapM, 'm'],
      ],
      { value: seeThroughPct.after, unit: '%' },
      `${DERIVED}; how wide a gap is closed: ${COMMON_PRACTICE}`,
    ),
    ...(straightness && evenness
      ? [
          working(
            `Outline of ${name}`,
            'its middle against the line drawn, on the mean of as long as it is wide',
            [
              ['allowed', limits.offM, 'm'],
              ['narrowest', evenness.narrowPct, '%'],
              ['narrowest allowed', limits.narrowPct, '%'],
            ],
            { value: straightness.offM, unit: 'm' },
            LOOKED,
          ),
        ]
      : []),
    ...(floorContact
      ? [
          working(
            `Foot of ${name}`,
            'below its lowest balloon',
            [
              ['allowed', limits.footM, 'm'],
              ['lies on the floor for', floorContact.spreadM, 'm'],
            ],
            { value: floorContact.gapM, unit: 'm' },
            LOOKED,
          ),
        ]
      : []),
  ];
}
