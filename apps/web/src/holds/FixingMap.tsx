import { type HoldPiece, hangsOn, type Piece, type Spot } from '@early-lantern/contract';
import { carriersFirst, heldAt, keptClear, nearestAlong } from '@early-lantern/core';
import { Box, Typography } from '@mui/material';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useMemo, useRef } from 'react';
import { useJob } from '../job/context.ts';
import { useSize } from '../parts/useSize.ts';
import { BalloonGradients } from '../pieces/BalloonLayer.tsx';
import { PieceDrawing } from '../pieces/PieceDrawing.tsx';
import { SpotDrawing, spotFrame } from '../pieces/SpotDrawing.tsx';
import { useUnits } from '../preferences.tsx';
import { factorText } from './FactorBar.tsx';
import { idByHand, withPointAt } from './points.ts';

interface FixingMapProps {
  piece: Piece;
  spot: Spot;
  held: HoldPiece;
  gustMs: number;
}

/** The library would drag by arrow keys too, in pixels. */
const KEYS_ARE_OURS = { pointer: { keys: false } };
/** One step of an arrow key along the line, of its length. */
const STEP = 0.01;

/** The piece on its spot with its points, numbered as the table numbers them; each can be dragged along the line. */
export function FixingMap({ piece, spot, held, gustMs }: FixingMapProps) {
  const { planned, changePiece, file } = useJob();
  const { long, force } = useUnits();
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const gestures = useRef(0);
  const { box, perM } = useMemo(() => spotFrame(spot, size), [spot, size]);
  const picture = planned?.pictures[piece.id];
  // What it hangs on, near and far, stands behind it.
  const byId = new Map(file.job.pieces.map((one) => [one.id, one]));
  const behind = carriersFirst(file.job.pieces).filter(
    (one) => one !== piece && one.id !== piece.id && hangsOn(byId, piece.id, one.id),
  );
  const px = 1 / perM;
  const canMove = piece.kind === 'organic-garland';

  const place = (id: string, at: number, gesture: string) =>
    changePiece(piece.id, (before) => withPointAt(before, id, at), `${piece.id}-point-${id}-${gesture}`);
  const bind = useDrag(({ args: [index], first, memo, movement: [mx, my], event }) => {
    event.stopPropagation();
    const point = held.points[index as number];
    const start = (memo ?? point) as HoldPiece['points'][number] | undefined;
    if (first) gestures.current += 1;
    if (!start || piece.kind !== 'organic-garland' || (mx === 0 && my === 0)) return start;
    const to = { xM: start.spotXYM.xM + mx * px, yM: start.spotXYM.yM - my * px };
    place(idByHand(start), nearestAlong(piece, spot, to), `drag-${gestures.current}`);
    return start;
  }, KEYS_ARE_OURS);
  const onKey = (event: KeyboardEvent, index: number) => {
    const point = held.points[index];
    const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP }[event.key];
    if (!point || by === undefined) return;
    event.preventDefault();
    // From where it is by now: presses come faster than the plan is worked out.
    const id = idByHand(point);
    changePiece(
      piece.id,
      (before) => {
        const at = before.hold?.points?.find((one) => one.id === id)?.at ?? point.at;
        return withPointAt(before, id, Math.min(1, Math.max(0, at + by)));
      },
      `${piece.id}-point-${id}-keys`,
    );
  };
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
            {(spot.keepClear ?? []).map((zone) => {
              const clear = keptClear(zone);
              return (
                <rect
                  key={zone.id}
                  x={clear.from.x}
                  y={spot.heightM - clear.to.y}
                  width={clear.to.x - clear.from.x}
                  height={clear.to.y - clear.from.y}
                  fill="#a4321f"
                  fillOpacity="0.08"
                  stroke="#a4321f"
                  strokeOpacity="0.7"
                  strokeWidth={px}
                  strokeDasharray={`${3 * px} ${3 * px}`}
                />
              );
            })}
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
              // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
              <g
                // A point that a hand takes hold of gets another id; its place in the row keeps the focus on it.
                // biome-ignore lint/suspicious/noArrayIndexKey: see above
                key={`${point.section}-${i}`}
                {...(canMove ? bind(i) : {})}
                role="button"
                tabIndex={0}
                className="line-point"
                aria-label={`Point ${i + 1}: ${long(Math.max(0, point.spotXYM.xM))} across, ${long(Math.max(0, point.spotXYM.yM))} up, bears ${force(point.loadN)}, factor ${factorText(point.factor)}${point.isLocked ? ', placed by hand' : ''}.${canMove ? ' Arrow keys move it along the line.' : ''}`}
                transform={`translate(${point.spotXYM.xM} ${spot.heightM - point.spotXYM.yM})`}
                style={{ cursor: canMove ? 'grab' : 'default', touchAction: 'none' }}
                onKeyDown={(event) => canMove && onKey(event, i)}
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
                    {...ink(point.factor < (held.required ?? 1) || point.trouble !== undefined, px)}
                  />
                ) : (
                  <circle
                    className="ring"
                    r={11 * px}
                    {...ink(point.factor < (held.required ?? 1) || point.trouble !== undefined, px)}
                  />
                )}
                <text y={5 * px} fontSize={13 * px} fontWeight="700" textAnchor="middle" fill="#1f2637">
                  {i + 1}
                </text>
              </g>
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

const ink = (isWrong: boolean, px: number) => ({
  fill: isWrong ? '#f6d5cc' : '#fffaf0',
  stroke: isWrong ? '#a4321f' : '#1f2637',
  strokeWidth: 2.5 * px,
});

interface TieProps {
  line: HoldPiece['tieLines'][number];
  spot: Spot;
  px: number;
}

function Tie({ line, spot, px }: TieProps) {
  const { xM, yM } = line.fromXYM;
  // Seen from the front a line forward and one back lie over each other: they are drawn a little apart.
  const footX = line.toXM + (line.towards === 'back' ? 8 * px : 0);
  return (
    <g aria-hidden="true" pointerEvents="none">
      <path
        d={`M${xM} ${spot.heightM - yM}L${footX} ${spot.heightM}`}
        stroke="#1f2637"
        strokeWidth={2 * px}
        strokeDasharray={line.towards === 'back' ? `${6 * px} ${5 * px}` : undefined}
      />
      <circle cx={footX} cy={spot.heightM} r={4 * px} fill="#1f2637" />
    </g>
  );
}
