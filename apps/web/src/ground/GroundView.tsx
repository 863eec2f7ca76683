import type { HoldPiece, Piece, Spot } from '@early-lantern/contract';
import { backOf, METRES_PER_INCH } from '@early-lantern/core';
import { Box } from '@mui/material';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef } from 'react';
import { arrowMove } from '../parts/arrow-move.ts';
import { useSize } from '../parts/useSize.ts';
import { useUnits } from '../preferences.tsx';
import { FloorDrawing } from './FloorDrawing.tsx';
import { type GroundFrame, groundFrame } from './frame.ts';
import { PieceFromAbove } from './PieceFromAbove.tsx';

interface GroundViewProps {
  spot: Spot;
  /** The pieces on this spot, and what was found of them. */
  pieces: readonly Piece[];
  held: readonly HoldPiece[];
  chosenId: string | undefined;
  onChoose: (id: string) => void;
  /** So far along the spot and out from the wall from where it was; what moves with it follows. */
  onMove: (id: string, dxM: number, dOutM: number, gesture: string) => void;
}

/** A drag: how far out the piece was, and how far it has been moved. */
interface Drag {
  startM: number;
  dxM: number;
  dOutM: number;
}

/** The spot from above, to scale: what stands where from back to front, dragged or moved by the arrow keys. */
export function GroundView({ spot, pieces, held, chosenId, onChoose, onMove }: GroundViewProps) {
  const area = useRef<HTMLDivElement>(null);
  const size = useSize(area);
  const shown = held.filter(({ id }) => pieces.some((piece) => piece.id === id));
  const now = groundFrame(spot, shown, size);
  // While something is dragged the scale stays as it was taken up with.
  const kept = useRef<GroundFrame>(undefined);
  const frame = kept.current ?? now;
  const { units, long } = useUnits();
  const snapM = units === 'imperial' ? METRES_PER_INCH : 0.02;
  const gestures = useRef(0);
  const bind = useDrag(
    ({ args: [id], first, last, movement: [mx, my], memo }): Drag => {
      if (first) {
        gestures.current += 1;
        kept.current = now;
      }
      const startM = pieces.find((piece) => piece.id === id)?.frontM ?? 0;
      const drag = (memo ?? { startM, dxM: 0, dOutM: 0 }) as Drag;
      const snap = (moved: number) => Math.round(moved / frame.perM / snapM) * snapM;
      // Nothing is pushed through the wall: it waits there for the hand to come back.
      const to = { ...drag, dxM: snap(mx), dOutM: Math.max(-drag.startM, snap(my)) };
      if (last) kept.current = undefined;
      if (to.dxM !== drag.dxM || to.dOutM !== drag.dOutM)
        onMove(id as string, to.dxM - drag.dxM, to.dOutM - drag.dOutM, `ground-${gestures.current}`);
      return to;
    },
    { pointer: { keys: false }, threshold: 3 },
  );
  const onKey = (event: KeyboardEvent, id: string) => {
    const move = arrowMove(event, snapM);
    if (!move) return;
    event.preventDefault();
    // Up on the drawing is back to the wall.
    onMove(id, move[0], -move[1], 'ground-keys');
  };
  // The chosen one above the others.
  const sorted = [...shown].sort((a, b) => Number(a.id === chosenId) - Number(b.id === chosenId));
  const back = backOf(spot.kind);
  return (
    <Box
      ref={area}
      role="application"
      aria-label={`${spot.name}, from above, drawn to scale`}
      sx={{ width: '100%', height: '100%', minHeight: 300, position: 'relative' }}
    >
      {size.width > 0 && (
        // biome-ignore lint/a11y/noSvgWithoutTitle: named by the application round it
        <svg
          viewBox={`${frame.box.x} ${frame.box.y} ${frame.box.w} ${frame.box.h}`}
          width={size.width}
          height={size.height}
          style={{ position: 'absolute', inset: 0, display: 'block', borderRadius: 10, userSelect: 'none' }}
        >
          <FloorDrawing spot={spot} {...frame} />
          {sorted.map((one) => {
            const piece = pieces.find(({ id }) => id === one.id);
            const [body] = one.ground;
            if (!piece || !body) return null;
            // Its back: of the piece or of its bases, whichever is nearer to the wall.
            const backM = Math.min(...one.ground.map(({ outM }) => outM));
            const isCarried = Boolean(piece.on);
            return (
              // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
              <g
                key={one.id}
                {...(isCarried ? {} : bind(one.id))}
                role="button"
                tabIndex={0}
                className="line-point"
                aria-pressed={one.id === chosenId}
                aria-label={`${one.name}: ${long(Math.max(0, body.xM))} from the left, ${long(Math.max(0, backM))} from the ${back}.${isCarried ? ' It moves with what carries it.' : ' Arrow keys move it.'}`}
                onPointerDownCapture={() => onChoose(one.id)}
                onFocus={() => onChoose(one.id)}
                onKeyDown={(event) => !isCarried && onKey(event, one.id)}
                style={{ cursor: isCarried ? 'pointer' : 'move', touchAction: 'none' }}
              >
                <PieceFromAbove held={one} px={1 / frame.perM} isChosen={one.id === chosenId} />
              </g>
            );
          })}
        </svg>
      )}
    </Box>
  );
}
