import type { Piece, Point, Spot, Workshop } from '@early-lantern/contract';
import { allCarriedBy, backToFront, depthOf, METRES_PER_INCH } from '@early-lantern/core';
import { Box, ToggleButton } from '@mui/material';
import { type ReactNode, useCallback, useMemo, useRef, useState } from 'react';
import { useJob } from '../job/context.ts';
import { GapQuestion } from '../looks/GapQuestion.tsx';
import { HeatLayer } from '../looks/HeatLayer.tsx';
import { LookMarks } from '../looks/LookMarks.tsx';
import { useSize } from '../parts/useSize.ts';
import { useUnits } from '../preferences.tsx';
import type { Planned } from '../workers/planner.ts';
import { areRound, BalloonCanvas } from './BalloonCanvas.tsx';
import { BalloonGradients } from './BalloonLayer.tsx';
import { editorOf, type Grip } from './editors/index.ts';
import { GripLayer } from './GripLayer.tsx';
import { LineEditor } from './LineEditor.tsx';
import { MovablePiece } from './MovablePiece.tsx';
import { magnetsOf, onPart } from './magnets.ts';
import { SpotDrawing, spotFrame } from './SpotDrawing.tsx';

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
  onPull: (id: string, grip: Grip<Piece>, to: Point, gesture: string) => void;
  /** A piece, and whatever moves with it, carried so far from where it was when the drag began. */
  onMove: (id: string, dxM: number, dyM: number, gesture: string) => void;
  /** A piece, or the end of a garland's line, was let go: it may lie on another piece now. */
  onDrop: (id: string) => void;
}

/** The spot seen from the front, to scale: surface, floor, what was surveyed, a person for size, and its pieces. */
export function Elevation(props: ElevationProps) {
  const { spot, indoors, workshop, pieces, planned, chosenId, onChoose, onLine, onPull, onMove, onDrop } =
    props;
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const { units } = useUnits();
  const { file } = useJob();
  const [isHot, setHot] = useState(false);
  const [gap, setGap] = useState<{ index: number; mark: Element }>();
  // The same object while nothing is resized: what is drawn from it need not be drawn again.
  const { box, perM } = useMemo(() => spotFrame(spot, size), [spot, size]);
  const snapM = units === 'imperial' ? METRES_PER_INCH : 0.02;
  const chosen = pieces.find((piece) => piece.id === chosenId);

  // The newest pieces, without drawing every one anew when one of them moves.
  const newest = useRef(pieces);
  newest.current = pieces;
  const magnets = useCallback(
    (id: string) => {
      const along = new Set([id, ...allCarriedBy(id, newest.current).map((one) => one.id)]);
      return magnetsOf(
        newest.current.filter((one) => !along.has(one.id)),
        spot,
      );
    },
    [spot],
  );

  // Carriers behind what they carry, and the wall behind all, whichever piece is chosen.
  const sorted = backToFront(pieces);
  const above = chosen ? beforeIt(chosen, sorted) : [];
  const under = sorted.filter((piece) => piece !== chosen && !above.includes(piece));

  const editor = chosen && editorOf(chosen);
  const grips = chosen && editor ? [...editor.grips, ...(editor.moreGrips?.(chosen) ?? [])] : [];

  const picture = chosen && planned?.pictures[chosen.id];
  const painted = picture && areRound(picture) ? picture : undefined;
  const look = planned?.plan.full.pieces.find(({ id }) => id === chosenId);

  const drawn = (piece: Piece) => (
    <MovablePiece
      key={piece.id}
      piece={piece}
      picture={planned?.pictures[piece.id]}
      colours={workshop.colours}
      heightM={spot.heightM}
      perM={perM}
      snapM={snapM}
      isChosen={piece.id === chosenId}
      isPainted={piece === chosen && painted !== undefined}
      magnets={magnets}
      onChoose={onChoose}
      onMove={onMove}
      onDrop={onDrop}
    />
  );

  return (
    <Box
      ref={frame}
      role="application"
      aria-label={`${spot.name}, drawn to scale`}
      sx={{ width: '100%', height: '100%', minHeight: 300, position: 'relative' }}
    >
      {size.width > 0 && (
        <>
          <Layer box={box} size={size}>
            <defs>
              <BalloonGradients colours={workshop.colours} />
            </defs>
            <SpotDrawing spot={spot} indoors={indoors} box={box} perM={perM} />
            {under.map(drawn)}
          </Layer>
          {chosen && (
            <Layer box={box} size={size} isAbove>
              {drawn(chosen)}
            </Layer>
          )}
          {painted && (
            <BalloonCanvas
              balloons={painted.balloons}
              colours={workshop.colours}
              heightM={spot.heightM}
              box={box}
              perM={perM}
              size={size}
            />
          )}
          {above.length > 0 && (
            <Layer box={box} size={size} isAbove>
              {above.map(drawn)}
            </Layer>
          )}
          {chosen && look && isHot && (
            <Layer box={box} size={size} isAbove>
              <HeatLayer piece={chosen} file={file} heightM={spot.heightM} />
            </Layer>
          )}
          {look && (
            <Layer box={box} size={size} isAbove>
              <LookMarks
                look={look}
                colours={workshop.colours}
                heightM={spot.heightM}
                perM={perM}
                onGap={(index, mark) => setGap({ index, mark })}
              />
            </Layer>
          )}
          {chosen && look && (
            <ToggleButton
              value="heat"
              size="small"
              selected={isHot}
              onChange={() => setHot(!isHot)}
              sx={{
                position: 'absolute',
                right: 8,
                top: 8,
                py: 0.3,
                textTransform: 'none',
                bgcolor: 'background.paper',
                '&.Mui-selected, &.Mui-selected:hover': {
                  bgcolor: 'primary.main',
                  color: 'primary.contrastText',
                },
              }}
            >
              Depth
            </ToggleButton>
          )}
          {chosen && look && gap && (
            <GapQuestion piece={chosen} look={look} asked={gap} onClose={() => setGap(undefined)} />
          )}
          {chosen && (
            <Layer box={box} size={size} isAbove>
              {chosen.kind === 'organic-garland' && (
                <LineEditor
                  // Not the piece's own key: that one is its drawing's, a sibling.
                  key={`line-${chosen.id}`}
                  line={chosen.line}
                  spot={spot}
                  perM={perM}
                  snapM={snapM}
                  drawn={(point) =>
                    onPart(
                      point,
                      pieces.filter((one) => one !== chosen),
                      MAGNET_PX / perM,
                    )
                  }
                  onLine={(line, gesture) => onLine(chosen.id, line, gesture)}
                  onDrop={() => onDrop(chosen.id)}
                />
              )}
              {grips.length > 0 && (
                <GripLayer
                  key={`grips-${chosen.id}`}
                  piece={chosen}
                  grips={grips}
                  spot={spot}
                  perM={perM}
                  snapM={snapM}
                  onPull={(grip, to, gesture) => onPull(chosen.id, grip, to, gesture)}
                />
              )}
            </Layer>
          )}
        </>
      )}
    </Box>
  );
}

/** What hides a piece: what it carries, and what stands farther from the wall. */
function beforeIt(piece: Piece, sorted: readonly Piece[]): Piece[] {
  const carried = new Set(allCarriedBy(piece.id, sorted));
  const own = depthOf(piece, sorted);
  return sorted.filter((one) => carried.has(one) || depthOf(one, sorted) > own);
}

/** Pixels from which a bar or pole draws a line's point. */
const MAGNET_PX = 10;

interface LayerProps {
  box: { x: number; y: number; w: number; h: number };
  size: { width: number; height: number };
  /** The chosen piece with its grips: what lies below it stays within reach. */
  isAbove?: boolean;
  children: ReactNode;
}

/** One of the drawings laid over each other, painted apart: what is dragged does not have all the rest painted again. */
function Layer({ box, size, isAbove = false, children }: LayerProps) {
  return (
    // biome-ignore lint/a11y/noSvgWithoutTitle: both layers together are named by the application round them
    <svg
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      width={size.width}
      height={size.height}
      data-layer={isAbove ? 'chosen' : 'rest'}
      aria-hidden={isAbove ? undefined : true}
      style={{
        position: 'absolute',
        inset: 0,
        display: 'block',
        borderRadius: 10,
        willChange: 'transform',
        // A drag that misses takes hold of nothing, least of all the ruler's words.
        userSelect: 'none',
        pointerEvents: isAbove ? 'none' : 'auto',
      }}
    >
      {isAbove ? <g pointerEvents="auto">{children}</g> : children}
    </svg>
  );
}
