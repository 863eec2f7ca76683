import type { HoldPoint } from '@early-lantern/contract';
import type { KeyboardEvent, SVGProps } from 'react';
import { useUnits } from '../preferences.tsx';
import { factorText } from './FactorBar.tsx';

interface PointMarkProps {
  point: HoldPoint;
  /** As the table numbers it. */
  number: number;
  required: number;
  spotHeightM: number;
  /** Metres of one pixel. */
  px: number;
  canMove: boolean;
  /** What takes hold of it. */
  grip: SVGProps<SVGGElement>;
  onKey: (event: KeyboardEvent) => void;
}

const ink = (isWrong: boolean, px: number) => ({
  fill: isWrong ? '#f6d5cc' : '#fffaf0',
  stroke: isWrong ? '#a4321f' : '#1f2637',
  strokeWidth: 2.5 * px,
});

/** One point on the map: a disc, or a square where somebody put it there. */
export function PointMark(props: PointMarkProps) {
  const { point, number, required, spotHeightM, px, canMove, grip, onKey } = props;
  const { long, force } = useUnits();
  const isWrong = point.factor < required || point.trouble !== undefined;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
    <g
      {...grip}
      role="button"
      tabIndex={0}
      className="line-point"
      aria-label={`Point ${number}: ${long(Math.max(0, point.spotXYM.xM))} across, ${long(Math.max(0, point.spotXYM.yM))} up, bears ${force(point.loadN)}, factor ${factorText(point.factor)}${point.isLocked ? ', placed by hand' : ''}.${canMove ? ' Arrow keys move it along the line.' : ''}`}
      transform={`translate(${point.spotXYM.xM} ${spotHeightM - point.spotXYM.yM})`}
      style={{ cursor: canMove ? 'grab' : 'default', touchAction: 'none' }}
      onKeyDown={onKey}
    >
      <circle r={20 * px} fill="transparent" />
      {point.isLocked ? (
        <rect
          className="ring"
          x={-11 * px}
          y={-11 * px}
          width={22 * px}
          height={22 * px}
          rx={4 * px}
          {...ink(isWrong, px)}
        />
      ) : (
        <circle className="ring" r={11 * px} {...ink(isWrong, px)} />
      )}
      <text y={5 * px} fontSize={13 * px} fontWeight="700" textAnchor="middle" fill="#1f2637">
        {number}
      </text>
    </g>
  );
}
