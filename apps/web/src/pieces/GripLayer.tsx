import type { Piece, Point, Spot } from '@early-lantern/contract';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef } from 'react';
import { arrowMove } from '../parts/arrow-move.ts';
import { useUnits } from '../preferences.tsx';
import type { Grip } from './editors/index.ts';

interface GripLayerProps {
  piece: Piece;
  grips: readonly Grip<Piece>[];
  spot: Spot;
  /** Pixels per metre. */
  perM: number;
  /** Grid that pulled grips keep to, metres. */
  snapM: number;
  /** Changes of one gesture undo as one. */
  onPull: (grip: Grip<Piece>, to: Point, gesture: string) => void;
}

/** A cut is pulled by its foot, below the line: a point of the line may lie at the very place. Pixels. */
const CUT_BELOW = 38;

/** A line across the garland with a foot to pull it by: it is parted here. */
function CutMark({ px }: { px: number }) {
  return (
    <g>
      <path
        d={`M0 ${-(CUT_BELOW + 14) * px} V${-9 * px}`}
        stroke="#1f2637"
        strokeWidth={2 * px}
        strokeDasharray={`${5 * px} ${3 * px}`}
        pointerEvents="none"
      />
      <path
        className="ring"
        d={`M0 ${-11 * px} L${10 * px} ${8 * px} H${-10 * px} Z`}
        fill="#fffaf0"
        stroke="#1f2637"
        strokeWidth={2.5 * px}
        strokeLinejoin="round"
      />
    </g>
  );
}

/** The library would drag by arrow keys too, in pixels; here they move by inches. */
const KEYS_ARE_OURS = { pointer: { keys: false } };
/** How far beyond the spot's edges a grip may go, metres. */
const BEYOND_M = 1;

/** The grips of the chosen piece: pulled with mouse or finger, or moved with the arrow keys. */
export function GripLayer({ piece, grips, spot, perM, snapM, onPull }: GripLayerProps) {
  const { long } = useUnits();
  const gestures = useRef(0);
  const px = 1 / perM;
  const pull = (grip: Grip<Piece>, xM: number, yM: number, gesture: string) => {
    const snap = (value: number, max: number, min: number) =>
      Number((Math.round(Math.min(max, Math.max(min, value)) / snapM) * snapM).toFixed(5));
    onPull(
      grip,
      {
        xM: snap(xM, spot.widthM + BEYOND_M, -BEYOND_M),
        yM: snap(yM, spot.heightM + BEYOND_M, 0),
      },
      `${grip.id}-${gesture}`,
    );
  };
  const bind = useDrag(({ args: [index], first, memo, movement: [mx, my], event }) => {
    event.stopPropagation();
    if (first) gestures.current += 1;
    const grip = grips[index as number] as Grip<Piece>;
    const start = (memo ?? grip.at(piece)) as Point;
    pull(grip, start.xM + mx * px, start.yM - my * px, `drag-${gestures.current}`);
    return start;
  }, KEYS_ARE_OURS);
  const onKey = (event: KeyboardEvent, grip: Grip<Piece>) => {
    const move = arrowMove(event, snapM);
    if (!move) return;
    const { xM, yM } = grip.at(piece);
    pull(grip, xM + move[0], yM + move[1], 'keys');
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <g>
      {grips.map((grip, index) => {
        const { xM, yM } = grip.at(piece);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
          <g
            key={grip.id}
            {...bind(index)}
            role="button"
            tabIndex={0}
            className="line-point"
            aria-label={`${grip.label} of ${piece.name}: ${long(Math.max(0, xM))} across, ${long(Math.max(0, yM))} up. Arrow keys move it.`}
            transform={`translate(${xM} ${spot.heightM - yM + (grip.isCut ? CUT_BELOW * px : 0)})`}
            style={{ cursor: 'grab', touchAction: 'none' }}
            onKeyDown={(event) => onKey(event, grip)}
          >
            <title>{grip.label}</title>
            <circle r={(grip.isCut ? 15 : 22) * px} fill="transparent" />
            {grip.isCut ? (
              <CutMark px={px} />
            ) : index === 0 ? (
              <circle className="ring" r={9 * px} fill="#fffaf0" stroke="#1f2637" strokeWidth={2.5 * px} />
            ) : (
              <rect
                className="ring"
                x={-8 * px}
                y={-8 * px}
                width={16 * px}
                height={16 * px}
                rx={3 * px}
                fill="#fffaf0"
                stroke="#1f2637"
                strokeWidth={2.5 * px}
              />
            )}
          </g>
        );
      })}
    </g>
  );
}
