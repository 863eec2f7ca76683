import type { Colour, FullPiece } from '@early-lantern/contract';
import type { ReactNode } from 'react';

interface LookMarksProps {
  look: FullPiece;
  colours: readonly Colour[];
  heightM: number;
  perM: number;
  /** A gap was pressed: which one, and its mark. */
  onGap: (index: number, mark: Element) => void;
}

const VIEWS = { front: 'seen from the front', left: 'seen from the left', right: 'seen from the right' };
/** Of the gaps only the widest are ringed: more would hide the piece. The panel says how many there are. */
const MOST_RINGS = 12;
const PAPER = '#fffaf0';
const RED = '#a3341f';

/**
 * What the eye will find at a piece, where it is: gaps as rings as wide as they are, the widest first; clumps dashed; thin
 * places, bends and a foot above the floor by a word.
 */
export function LookMarks({ look, colours, heightM, perM, onGap }: LookMarksProps) {
  const { gaps, clumps, edgesOpen, evenness, straightness, floorContact, limits } = look;
  const px = 1 / perM;
  return (
    <g pointerEvents="none" data-testid="look-marks">
      {clumps.map(({ colour, xM, yM, widthM, balloons }) => (
        <g key={`${colour} ${xM} ${yM}`} transform={`translate(${xM} ${heightM - yM})`}>
          <title>
            {balloons} balloons in {colours.find(({ id }) => id === colour)?.name ?? colour} side by side
          </title>
          <Ring r={widthM / 2} px={px} dashes={`${7 * px} ${5 * px}`} />
          <Word px={px} y={-widthM / 2 - 5 * px}>
            clump
          </Word>
        </g>
      ))}
      {evenness && evenness.narrowPct < limits.narrowPct && (
        <g transform={`translate(${evenness.xM} ${heightM - evenness.yM})`}>
          <Word px={px} y={4 * px}>
            thin
          </Word>
        </g>
      )}
      {straightness && straightness.offM > limits.offM && (
        <g transform={`translate(${straightness.xM} ${heightM - straightness.yM})`}>
          <Word px={px} y={4 * px}>
            off its line
          </Word>
        </g>
      )}
      {edgesOpen.map(({ xM, yM, lengthM }) => (
        <g key={`${xM} ${yM}`} transform={`translate(${xM} ${heightM - yM})`}>
          <Ring r={lengthM / 2} px={px} dashes={`${2 * px} ${4 * px}`} />
          <Word px={px} y={4 * px}>
            edge bare
          </Word>
        </g>
      ))}
      {floorContact && floorContact.gapM > limits.footM && (
        <g transform={`translate(${floorContact.xM} ${heightM})`}>
          <path
            d={`M0 0V${-floorContact.gapM}M${-6 * px} 0H${6 * px}M${-6 * px} ${-floorContact.gapM}H${6 * px}`}
            stroke={RED}
            strokeWidth={2 * px}
          />
          <Word px={px} y={16 * px}>
            above the floor
          </Word>
        </g>
      )}
      {gaps.slice(0, MOST_RINGS).map(({ xM, yM, radiusM, view, closeWith }, i) => {
        const r = Math.max(radiusM, 7 * px);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
          <g
            // biome-ignore lint/suspicious/noArrayIndexKey: gaps have no id, the widest is the first
            key={i}
            transform={`translate(${xM} ${heightM - yM})`}
            role="button"
            tabIndex={0}
            aria-label={`Gap ${i + 1}, ${VIEWS[view]}: ${closeWith}`}
            pointerEvents="all"
            style={{ cursor: 'pointer' }}
            onClick={(event) => onGap(i, event.currentTarget)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              onGap(i, event.currentTarget);
            }}
          >
            <Ring r={r} px={px} />
            <Word px={px} y={4 * px}>
              {i + 1}
            </Word>
          </g>
        );
      })}
    </g>
  );
}

function Ring({ r, px, dashes }: { r: number; px: number; dashes?: string }) {
  return (
    <>
      <circle r={r} fill="none" stroke={PAPER} strokeWidth={4 * px} />
      <circle r={r} fill="none" stroke={RED} strokeWidth={2 * px} strokeDasharray={dashes} />
    </>
  );
}

function Word({ px, y, children }: { px: number; y: number; children: ReactNode }) {
  return (
    <text
      y={y}
      fontSize={11 * px}
      fontWeight={700}
      textAnchor="middle"
      fill="#86281a"
      stroke={PAPER}
      strokeWidth={3 * px}
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}
