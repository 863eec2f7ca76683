import { type HoldPiece, hangsOn, type Piece, type Spot } from '@early-lantern/contract';
import { carriersFirst, heldAt } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { useMemo, useRef } from 'react';
import { useJob } from '../job/context.ts';
import { useSize } from '../parts/useSize.ts';
import { BalloonGradients } from '../pieces/BalloonLayer.tsx';
import { PieceDrawing } from '../pieces/PieceDrawing.tsx';
import { SpotDrawing, spotFrame } from '../pieces/SpotDrawing.tsx';
import { useUnits } from '../preferences.tsx';
import { ClearZones, Tie } from './MapMarks.tsx';
import { PointMark } from './PointMark.tsx';
import { usePointMoves } from './use-point-moves.ts';

interface FixingMapProps {
  piece: Piece;
  spot: Spot;
  held: HoldPiece;
  gustMs: number;
}

/** The piece on its spot with its points, numbered as the table numbers them; each can be dragged along the line. */
export function FixingMap({ piece, spot, held, gustMs }: FixingMapProps) {
  const { planned, file } = useJob();
  const { long, force } = useUnits();
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const { box, perM } = useMemo(() => spotFrame(spot, size), [spot, size]);
  const picture = planned?.pictures[piece.id];
  // What it hangs on, near and far, stands behind it.
  const byId = new Map(file.job.pieces.map((one) => [one.id, one]));
  const behind = carriersFirst(file.job.pieces).filter(
    (one) => one !== piece && one.id !== piece.id && hangsOn(byId, piece.id, one.id),
  );
  const px = 1 / perM;
  const canMove = piece.kind === 'organic-garland';

  const { bind, onKey } = usePointMoves(piece, spot, held, px);
  const now = heldAt(held, gustMs);
  return (
    <Box>
      <Box
        ref={frame}
        className="print-fit"
        role="application"
        aria-label={`Fixing map of ${piece.name}`}
        sx={{ width: '100%', height: { xs: 300, md: 380 }, position: 'relative' }}
      >
        {size.width > 0 && (
          <svg
            viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
            width={size.width}
            height={size.height}
            style={{ display: 'block', borderRadius: 10, userSelect: 'none' }}
          >
            <title>{`${piece.name} on ${spot.name}, drawn to scale`}</title>
            <defs>
              <BalloonGradients colours={file.workshop.colours} />
            </defs>
            <SpotDrawing spot={spot} indoors={file.site.indoors} box={box} perM={perM} />
            <ClearZones spot={spot} px={px} />
            <g opacity="0.55">
              {behind.map(({ id }) => {
                const carrier = planned?.pictures[id];
                return (
                  carrier && (
                    <PieceDrawing
                      key={id}
                      picture={carrier}
                      colours={file.workshop.colours}
                      heightM={spot.heightM}
                    />
                  )
                );
              })}
              {picture && (
                <PieceDrawing picture={picture} colours={file.workshop.colours} heightM={spot.heightM} />
              )}
            </g>
            {held.tieLines.map((line, i) => (
              <Tie
                // Lines have no other name than their place.
                // biome-ignore lint/suspicious/noArrayIndexKey: see above
                key={i}
                line={line}
                spot={spot}
                px={px}
              />
            ))}
            {held.points.map((point, i) => (
              <PointMark
                // A point that a hand takes hold of gets another id; its place in the row keeps the focus on it.
                // biome-ignore lint/suspicious/noArrayIndexKey: see above
                key={`${point.section}-${i}`}
                point={point}
                number={i + 1}
                required={held.required ?? 1}
                spotHeightM={spot.heightM}
                px={px}
                canMove={canMove}
                grip={canMove ? bind(i) : {}}
                onKey={(event) => canMove && onKey(event, i)}
              />
            ))}
          </svg>
        )}
      </Box>
      <Typography
        className={canMove ? 'no-print' : undefined}
        sx={{ fontSize: 13, color: 'text.secondary', mt: 0.5 }}
      >
        {canMove
          ? 'Drag a point along the line, or walk to it with Tab and move it with the arrow keys: it stays where you put it (square) and is checked.'
          : held.tieLines.length
            ? `${held.tieLines.length} tie lines to ${held.tieLines[0]?.anchor}, ${force(held.tieLines[0]?.tensionN ?? 0)} each, ${long(held.tieLines[0]?.reachM ?? 0)} out; tied only when the frame is complete and weighted.`
            : now
              ? held.cases.length > 0
                ? `It ${now.label} first.`
                : `What decides: ${now.label}.`
              : 'Nothing to fix.'}
      </Typography>
    </Box>
  );
}
