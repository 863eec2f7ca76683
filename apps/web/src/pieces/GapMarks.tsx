import type { LookGap } from '@early-lantern/contract';

interface GapMarksProps {
  gaps: readonly LookGap[];
  heightM: number;
  perM: number;
}

const VIEWS = { front: 'seen from the front', left: 'seen from the left', right: 'seen from the right' };

/** Where gaps are left on a piece, the widest first: a ring as wide as the gap, at least wide enough to be seen. */
export function GapMarks({ gaps, heightM, perM }: GapMarksProps) {
  const px = 1 / perM;
  return (
    <g pointerEvents="none" data-testid="gap-marks">
      {gaps.map(({ xM, yM, radiusM, view, closeWith }, i) => {
        const r = Math.max(radiusM, 7 * px);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: gaps have no id, the widest is the first
          <g key={i} transform={`translate(${xM} ${heightM - yM})`}>
            <title>
              gap {i + 1}, {VIEWS[view]}: {closeWith}
            </title>
            <circle r={r} fill="none" stroke="#fffaf0" strokeWidth={4 * px} />
            <circle r={r} fill="none" stroke="#a3341f" strokeWidth={2 * px} />
            <text
              y={4 * px}
              fontSize={11 * px}
              fontWeight={700}
              textAnchor="middle"
              fill="#86281a"
              stroke="#fffaf0"
              strokeWidth={3 * px}
              paintOrder="stroke"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
