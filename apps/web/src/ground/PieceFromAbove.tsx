import type { HoldPiece } from '@early-lantern/contract';
import { HEADROOM_M } from './FloorDrawing.tsx';

const INK = '#1f2637';

interface PieceFromAboveProps {
  held: HoldPiece;
  px: number;
  isChosen?: boolean;
  /** Another piece than the one looked at. */
  isFaint?: boolean;
}

/** A piece from above: what it covers, its bases, and its lines to their stakes. */
export function PieceFromAbove({ held, px, isChosen = false, isFaint = false }: PieceFromAboveProps) {
  const body = held.ground.find(({ what }) => what === 'body');
  const bases = held.ground.filter(({ what }) => what === 'base');
  const isOverhead = (body?.fromM ?? 0) >= HEADROOM_M;
  return (
    <g opacity={isFaint ? 0.45 : 1}>
      {held.tieLines.map((line, i) => (
        // Lines have no other name than their place.
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        <g key={i} stroke={INK} strokeWidth={1.6 * px}>
          <path
            d={`M${line.fromXYM.xM} ${line.fromOutM}L${line.toXM} ${line.toOutM}`}
            strokeDasharray={`${7 * px} ${4 * px}`}
          />
          <path
            d={`M${line.toXM - 5 * px} ${line.toOutM - 5 * px}l${10 * px} ${10 * px}m0 ${-10 * px}l${-10 * px} ${10 * px}`}
            strokeWidth={2.2 * px}
          />
        </g>
      ))}
      {body && (
        <rect
          x={body.xM}
          y={body.outM}
          width={body.widthM}
          height={Math.max(body.depthM, 4 * px)}
          rx={Math.min(body.depthM / 2, 0.12)}
          fill="#2d7f86"
          fillOpacity={isOverhead ? 0.12 : 0.28}
          stroke={isChosen ? INK : '#1b6468'}
          strokeWidth={(isChosen ? 2.6 : 1.3) * px}
          strokeDasharray={isOverhead ? `${5 * px} ${4 * px}` : undefined}
        />
      )}
      {bases.map(({ xM, outM, widthM, depthM }) => (
        <rect
          key={`${xM}-${outM}`}
          x={xM}
          y={outM}
          width={widthM}
          height={depthM}
          fill={INK}
          fillOpacity="0.55"
        />
      ))}
      {body && (
        <text
          x={body.xM + body.widthM / 2}
          y={body.outM + body.depthM / 2 + 4 * px}
          fontSize={12.5 * px}
          fontWeight={isChosen ? 700 : 500}
          textAnchor="middle"
          fill={INK}
          stroke="#fffaf0"
          strokeWidth={3 * px}
          paintOrder="stroke"
        >
          {held.name}
        </text>
      )}
    </g>
  );
}
