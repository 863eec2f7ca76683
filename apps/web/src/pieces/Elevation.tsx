import type { Piece, Point, Spot, Workshop } from '@early-lantern/contract';
import { METRES_PER_FOOT, METRES_PER_INCH } from '@early-lantern/core';
import { Box } from '@mui/material';
import { useRef } from 'react';
import { useSize } from '../parts/useSize.ts';
import { useUnits } from '../preferences.tsx';
import type { Planned } from '../workers/planner.ts';
import { BalloonGradients, BalloonLayer } from './BalloonLayer.tsx';
import { LineEditor } from './LineEditor.tsx';
import { PERSON_M, Person } from './Person.tsx';
import { SurfacePattern } from './surface-patterns.tsx';

interface ElevationProps {
  spot: Spot;
  indoors: boolean;
  workshop: Workshop;
  /** The pieces on this spot. */
  pieces: readonly Piece[];
  planned: Planned | undefined;
  chosenId: string | undefined;
  onChoose: (id: string) => void;
  onLine: (id: string, line: Point[], gesture: string) => void;
}

/** Room round the wall for ruler and floor, metres at least. */
const MARGIN = { left: 0.62, right: 0.3, top: 0.3, bottom: 0.62 };

/** The spot seen from the front, to scale: surface, floor, ruler, a person for size, and the pieces on it. */
export function Elevation({
  spot,
  indoors,
  workshop,
  pieces,
  planned,
  chosenId,
  onChoose,
  onLine,
}: ElevationProps) {
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const { units } = useUnits();
  const topM = Math.max(spot.heightM, PERSON_M + 0.2);
  const need = { w: spot.widthM + MARGIN.left + MARGIN.right, h: topM + MARGIN.top + MARGIN.bottom };
  const perM = Math.max(1, Math.min(size.width / need.w, size.height / need.h));
  // What is left over is shared out, so that the wall stands in the middle and the floor runs from edge to edge.
  const spare = { w: size.width / perM - need.w, h: size.height / perM - need.h };
  const left = MARGIN.left + spare.w / 2;
  const top = MARGIN.top + spare.h / 2;
  const box = { x: -left, y: -top - (topM - spot.heightM), w: size.width / perM, h: size.height / perM };
  const hairline = 1 / perM;
  const chosen = pieces.find((piece) => piece.id === chosenId);

  return (
    <Box ref={frame} sx={{ width: '100%', height: '100%', minHeight: 300, position: 'relative' }}>
      {size.width > 0 && (
        <svg
          viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
          width={size.width}
          height={size.height}
          role="application"
          aria-label={`${spot.name}, drawn to scale`}
          style={{ position: 'absolute', inset: 0, display: 'block', borderRadius: 10 }}
        >
          <defs>
            <SurfacePattern surface={spot.surface} id="surface" />
            <BalloonGradients colours={workshop.colours} />
          </defs>
          <rect x={box.x} y={box.y} width={box.w} height={box.h} fill={indoors ? '#f1ead9' : '#dfe9ee'} />
          <rect
            width={spot.widthM}
            height={spot.heightM}
            fill="url(#surface)"
            stroke="#1f2637"
            strokeOpacity="0.35"
            strokeWidth={hairline}
          />
          <rect
            x={box.x}
            y={spot.heightM}
            width={box.w}
            height={box.h}
            fill={indoors ? '#cfc4ad' : '#b9c3a0'}
          />
          <path d={`M${box.x} ${spot.heightM}h${box.w}`} stroke="#1f2637" strokeWidth={1.5 * hairline} />
          <Rulers spot={spot} perM={perM} imperial={units === 'imperial'} />
          <g transform={`translate(${spot.widthM - 0.35} ${spot.heightM})`}>
            <Person />
            <text
              x="0"
              y={-PERSON_M - 5 * hairline}
              fontSize={12 * hairline}
              textAnchor="middle"
              fill="#3b4256"
            >
              {units === 'imperial' ? '5 ft 8' : '1.73 m'}
            </text>
          </g>
          {pieces.map((piece) => (
            <g
              key={piece.id}
              onPointerDown={() => onChoose(piece.id)}
              style={{ cursor: piece.id === chosenId ? 'default' : 'pointer' }}
            >
              <BalloonLayer balloons={planned?.pictures[piece.id] ?? []} heightM={spot.heightM} />
            </g>
          ))}
          {chosen && (
            <LineEditor
              key={chosen.id}
              line={chosen.line}
              spot={spot}
              perM={perM}
              snapM={units === 'imperial' ? METRES_PER_INCH : 0.02}
              onLine={(line, gesture) => onLine(chosen.id, line, gesture)}
            />
          )}
        </svg>
      )}
    </Box>
  );
}

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
