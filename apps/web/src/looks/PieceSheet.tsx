import type { Colour, LookFiller } from '@early-lantern/contract';
import type { Picture } from '@early-lantern/core';
import type { ReactNode } from 'react';
import { BalloonGradients } from '../pieces/BalloonLayer.tsx';
import { PieceDrawing } from '../pieces/PieceDrawing.tsx';
import { apart } from './apart.ts';

interface PieceSheetProps {
  name: string;
  picture: Picture;
  colours: readonly Colour[];
  /** With numbers where fillers go: a dressing map, its balloons pale. */
  fillers?: readonly LookFiller[];
  /** How high it is drawn at the most, in units of style sheets. */
  maxHeight?: string;
  /** How many times as wide as what one sees of it: where it is pushed about its numbers need not be large. */
  timesAsWide?: number;
  /** Drawn over it: y runs downward from `topM`, and what is written is `numberM` high. */
  children?: (frame: { topM: number; numberM: number }) => ReactNode;
}

/** Room round a piece, m. */
const MARGIN_M = 0.12;
/** Numbers are legible at this share of the longer side of the drawing, on a phone too. */
const NUMBER_SHARE = 0.033;
/** From which side a filler goes in: drawn beside its number. */
const SIDES = { front: '', left: '‹', right: '›' } as const;

/** A piece by itself, to scale, as it will hang; for the client, the run sheet and the phone. */
export function PieceSheet({
  name,
  picture,
  colours,
  fillers,
  maxHeight = '62vh',
  timesAsWide = 1,
  children,
}: PieceSheetProps) {
  const { x, y, w, h } = boundsOf(picture);
  const numberM = (NUMBER_SHARE * Math.max(w, h)) / timesAsWide;
  // y runs downward from the top of the drawing.
  const topM = y + h;
  const title = fillers ? `Dressing map of ${name}` : name;
  const used = colours.filter(({ id }) => picture.balloons.some(({ colour }) => colour === id));
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`${x.toFixed(3)} 0 ${w.toFixed(3)} ${h.toFixed(3)}`}
      role="img"
      aria-label={title}
      style={{ width: '100%', maxHeight, display: 'block' }}
    >
      <title>{title}</title>
      <defs>
        <BalloonGradients colours={used} />
      </defs>
      <rect x={x} y={0} width={w} height={h} fill="#fffdf7" />
      <g opacity={fillers ? 0.42 : 1}>
        <PieceDrawing picture={picture} colours={colours} heightM={topM} />
      </g>
      {children?.({ topM, numberM })}
      {fillers && <Numbers fillers={fillers} topM={topM} numberM={numberM} />}
    </svg>
  );
}

/** A number for each filler beside where it goes, with a line to the place. */
function Numbers({
  fillers,
  topM,
  numberM,
}: {
  fillers: readonly LookFiller[];
  topM: number;
  numberM: number;
}) {
  const marks = fillers.map((filler) => ({ ...filler, x: filler.xM, y: topM - filler.yM }));
  const inks = (isCounted: boolean) => (isCounted ? '#1f2637' : '#a3341f');
  return (
    <g>
      {apart(marks, numberM * 1.72).map(({ number, xM, yM, x, y, view, isCounted }) => (
        <g key={number}>
          <path
            d={`M${xM.toFixed(3)} ${(topM - yM).toFixed(3)}L${x.toFixed(3)} ${y.toFixed(3)}`}
            stroke={inks(isCounted)}
            strokeWidth={numberM * 0.1}
          />
          <circle cx={xM.toFixed(3)} cy={(topM - yM).toFixed(3)} r={numberM * 0.2} fill={inks(isCounted)} />
          <circle
            cx={x.toFixed(3)}
            cy={y.toFixed(3)}
            r={numberM * 0.8}
            fill={isCounted ? '#1f2637' : '#fffdf7'}
            stroke={isCounted ? '#fffdf7' : '#a3341f'}
            strokeWidth={numberM * 0.1}
          />
          <text
            x={x.toFixed(3)}
            y={(y + numberM * 0.32).toFixed(3)}
            fontSize={numberM * 0.88}
            fontWeight={700}
            textAnchor="middle"
            fontFamily="sans-serif"
            fill={isCounted ? '#fffdf7' : '#86281a'}
          >
            {view === 'left' ? SIDES.left : ''}
            {number}
            {view === 'right' ? SIDES.right : ''}
          </text>
        </g>
      ))}
    </g>
  );
}

/** What a picture takes on paper, m. */
export function boundsOf({ balloons, shapes }: Picture): { x: number; y: number; w: number; h: number } {
  const xs = balloons.flatMap(({ xM, rM }) => [xM - rM, xM + rM]);
  const ys = balloons.flatMap(({ yM, rM }) => [yM - rM, yM + rM]);
  for (const shape of shapes) {
    if (shape.shape === 'line') {
      xs.push(...shape.points.map((point) => point.x));
      ys.push(...shape.points.map((point) => point.y));
    } else {
      xs.push(shape.xM, shape.xM + shape.widthM);
      ys.push(shape.yM, shape.yM + shape.heightM);
    }
  }
  if (xs.length === 0) return { x: 0, y: 0, w: 1, h: 1 };
  const [left, low] = [Math.min(...xs) - MARGIN_M, Math.min(...ys) - MARGIN_M];
  return {
    x: left,
    y: low,
    w: Math.max(...xs) + MARGIN_M - left,
    h: Math.max(...ys) + MARGIN_M - low,
  };
}
