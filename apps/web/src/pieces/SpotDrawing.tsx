import type { Spot } from '@early-lantern/contract';
import { METRES_PER_FOOT } from '@early-lantern/core';
import { memo } from 'react';
import { useUnits } from '../preferences.tsx';
import { PERSON_M, Person } from './Person.tsx';
import { SurveyMarks } from './SurveyMarks.tsx';
import { SurfacePattern } from './surface-patterns.tsx';

/** Room round the wall for ruler and floor, metres at least. */
const MARGIN = { left: 0.62, right: 0.3, top: 0.3, bottom: 0.62 };

interface Frame {
  /** What the drawing shows, metres; 0,0 is the top left corner of the spot. */
  box: { x: number; y: number; w: number; h: number };
  /** Pixels per metre. */
  perM: number;
}

/** The scale at which a spot fills its place on screen, and how much is seen round it. */
export function spotFrame(spot: Spot, size: { width: number; height: number }): Frame {
  const topM = Math.max(spot.heightM, PERSON_M + 0.2);
  const need = { w: spot.widthM + MARGIN.left + MARGIN.right, h: topM + MARGIN.top + MARGIN.bottom };
  const perM = Math.max(1, Math.min(size.width / need.w, size.height / need.h));
  // What is left over is shared out, so that the wall stands in the middle and the floor runs from edge to edge.
  const spare = { w: size.width / perM - need.w, h: size.height / perM - need.h };
  const left = MARGIN.left + spare.w / 2;
  const top = MARGIN.top + spare.h / 2;
  return {
    box: { x: -left, y: -top - (topM - spot.heightM), w: size.width / perM, h: size.height / perM },
    perM,
  };
}

export const floorColours: Record<NonNullable<Spot['floor']>, string> = {
  polished: '#c9bda6',
  carpet: '#b9a9a0',
  grass: '#b3c197',
  gravel: '#c6c1b4',
  paving: '#c2bfb8',
};

interface SpotDrawingProps extends Frame {
  spot: Spot;
  indoors: boolean;
  /** Left out where the survey itself is edited and drawn with grips. */
  withMarks?: boolean;
}

/** A spot to scale without its pieces: surface, regions, floor, ruler, what was surveyed, a person for size. */
export const SpotDrawing = memo(function SpotDrawing({
  spot,
  indoors,
  box,
  perM,
  withMarks = true,
}: SpotDrawingProps) {
  const { units } = useUnits();
  const hairline = 1 / perM;
  const isIndoors = spot.indoors ?? indoors;
  const outline = spot.outline
    ? spot.outline.map(({ xM, yM }) => `${xM},${spot.heightM - yM}`).join(' ')
    : `0,0 ${spot.widthM},0 ${spot.widthM},${spot.heightM} 0,${spot.heightM}`;
  return (
    <g>
      <defs>
        <SurfacePattern surface={spot.surface} id="surface" hex={spot.colour} />
        {(spot.regions ?? []).map((region) => (
          <SurfacePattern key={region.id} surface={region.surface} id={`surface-${region.id}`} />
        ))}
      </defs>
      <rect x={box.x} y={box.y} width={box.w} height={box.h} fill={isIndoors ? '#f1ead9' : '#dfe9ee'} />
      <polygon
        points={outline}
        fill="url(#surface)"
        // Open floor has nothing behind it: the field for scale is only hinted at.
        fillOpacity={spot.kind === 'open-floor' ? 0.35 : 1}
        stroke="#1f2637"
        strokeOpacity="0.35"
        strokeWidth={hairline}
      />
      {(spot.regions ?? []).map((region) => (
        <rect
          key={region.id}
          x={region.xM}
          y={spot.heightM - region.yM - region.heightM}
          width={region.widthM}
          height={region.heightM}
          fill={`url(#surface-${region.id})`}
          stroke="#1f2637"
          strokeOpacity="0.3"
          strokeWidth={hairline}
        />
      ))}
      <rect
        x={box.x}
        y={spot.heightM}
        width={box.w}
        height={box.h}
        fill={spot.floor ? floorColours[spot.floor] : isIndoors ? '#cfc4ad' : '#b9c3a0'}
      />
      <path d={`M${box.x} ${spot.heightM}h${box.w}`} stroke="#1f2637" strokeWidth={1.5 * hairline} />
      <Rulers spot={spot} perM={perM} imperial={units === 'imperial'} />
      {withMarks && <SurveyMarks spot={spot} perM={perM} />}
      <g transform={`translate(${spot.widthM - 0.35} ${spot.heightM})`}>
        <Person />
        <text x="0" y={-PERSON_M - 5 * hairline} fontSize={12 * hairline} textAnchor="middle" fill="#3b4256">
          {units === 'imperial' ? '5 ft 8' : '1.73 m'}
        </text>
      </g>
    </g>
  );
});

/** Marks along the left and the floor: every foot with its number every other, or every half metre. */
function Rulers({ spot, perM, imperial }: { spot: Spot; perM: number; imperial: boolean }) {
  const px = 1 / perM;
  const step = imperial ? METRES_PER_FOOT : 0.5;
  // Numbers stand at least 34 pixels apart.
  const every = [1, 2, 4, 5, 10].find((count) => count * step * perM >= 34) ?? 20;
  const marks = (length: number) => Array.from({ length: Math.floor(length / step + 1e-6) + 1 }, (_, i) => i);
  const name = (i: number) => (imperial ? `${i}′` : `${(i * step).toFixed(1)}`);
  const text = { fontSize: 12.5 * px, fill: '#2c3347' };
  return (
    <g aria-hidden="true" stroke="#2c3347" strokeWidth={px}>
      <path d={`M${-6 * px} 0V${spot.heightM}`} fill="none" />
      {marks(spot.heightM).map((i) => (
        <g key={i} transform={`translate(${-6 * px} ${spot.heightM - i * step})`}>
          <path d={`M0 0h${(i % every === 0 ? -8 : -4) * px}`} />
          {i % every === 0 && (
            <text {...text} x={-12 * px} y={(i === 0 ? -3 : 4) * px} textAnchor="end" stroke="none">
              {name(i)}
            </text>
          )}
        </g>
      ))}
      {marks(spot.widthM).map((i) => (
        <g key={i} transform={`translate(${i * step} ${spot.heightM + 6 * px})`}>
          <path d={`M0 0v${(i % every === 0 ? 8 : 4) * px}`} />
          {i % every === 0 && (
            <text {...text} y={22 * px} textAnchor="middle" stroke="none">
              {name(i)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}
