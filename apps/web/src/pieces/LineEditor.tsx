import type { Point, Spot } from '@early-lantern/contract';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef } from 'react';
import { arrowMove } from '../parts/arrow-move.ts';
import { useUnits } from '../preferences.tsx';
import { linePath } from './line-path.ts';

interface LineEditorProps {
  line: readonly Point[];
  spot: Spot;
  /** Pixels per metre. */
  perM: number;
  /** Grid that dragged and typed points keep to, metres. */
  snapM: number;
  /** A point as bars and poles draw it on. */
  drawn: (point: Point) => Point;
  /** A point was let go. */
  onDrop: () => void;
  /** Changes of one gesture undo as one. */
  onLine: (line: Point[], gesture: string) => void;
}

/** The library would drag by arrow keys too, in pixels; here they move by inches. */
const KEYS_ARE_OURS = { pointer: { keys: false } };
/** How far beyond the wall's edges a point may go, metres. */
const BEYOND_M = 0.3;

/** The garland's line with its points: dragged with mouse or finger, or moved with the arrow keys. */
export function LineEditor({ line, spot, perM, snapM, drawn, onDrop, onLine }: LineEditorProps) {
  const gestures = useRef(0);
  const px = 1 / perM;
  const path = linePath(line, spot.heightM);

  const moved = (index: number, xM: number, yM: number, gesture: string, isDrawn = false) => {
    const snap = (value: number, max: number) =>
      Number((Math.round(Math.min(max, Math.max(-BEYOND_M, value)) / snapM) * snapM).toFixed(5));
    const point = {
      xM: snap(xM, spot.widthM + BEYOND_M),
      yM: Math.max(0, snap(yM, spot.heightM + BEYOND_M)),
    };
    onLine(
      line.map((one, i) => (i === index ? (isDrawn ? drawn(point) : point) : one)),
      gesture,
    );
  };
  const added = (index: number) => {
    const [a, b] = [line[index], line[index + 1] ?? line[index - 1]];
    if (!a || !b || line.length >= 40) return;
    const middle = { xM: Number(((a.xM + b.xM) / 2).toFixed(5)), yM: Number(((a.yM + b.yM) / 2).toFixed(5)) };
    const at = line[index + 1] ? index + 1 : index;
    onLine([...line.slice(0, at), middle, ...line.slice(at)], `add-${gestures.current++}`);
  };
  const removed = (index: number) => {
    if (line.length > 2)
      onLine(
        line.filter((_, i) => i !== index),
        `remove-${gestures.current++}`,
      );
  };

  // The library hands back as `memo` what was returned last: the point the drag began from, so that positions are
  // counted from there and snapping does not build up.
  const bind = useDrag(({ args: [index], first, last, memo, movement: [mx, my], event }) => {
    event.stopPropagation();
    if (first) gestures.current += 1;
    const start = (memo ?? line[index as number]) as Point;
    moved(index as number, start.xM + mx * px, start.yM - my * px, `drag-${gestures.current}`, true);
    if (last) onDrop();
    return start;
  }, KEYS_ARE_OURS);

  const onKey = (event: KeyboardEvent, index: number, point: Point) => {
    const move = arrowMove(event, snapM);
    if (move) moved(index, point.xM + move[0], point.yM + move[1], `keys-${index}`);
    else if (event.key === 'Delete' || event.key === 'Backspace') removed(index);
    else if (event.key === 'Insert' || event.key === '+') added(index);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <g>
      <path
        d={path}
        fill="none"
        stroke="#fffaf0"
        strokeWidth={5 * px}
        strokeLinecap="round"
        opacity="0.85"
        pointerEvents="none"
      />
      <path
        d={path}
        fill="none"
        stroke="#1f2637"
        strokeWidth={2 * px}
        strokeDasharray={`${7 * px} ${5 * px}`}
        strokeLinecap="round"
        pointerEvents="none"
      />
      {line.map((point, index) => (
        <Handle
          // Points have no other name than their place on the line.
          // biome-ignore lint/suspicious/noArrayIndexKey: see above
          key={index}
          index={index}
          count={line.length}
          point={point}
          spot={spot}
          px={px}
          drag={bind(index)}
          onKeyDown={(event) => onKey(event, index, point)}
          onDoubleClick={() => added(index)}
        />
      ))}
    </g>
  );
}

interface HandleProps {
  index: number;
  count: number;
  point: Point;
  spot: Spot;
  px: number;
  drag: ReturnType<ReturnType<typeof useDrag>>;
  onKeyDown: (event: KeyboardEvent) => void;
  onDoubleClick: () => void;
}

function Handle({ index, count, point, spot, px, drag, onKeyDown, onDoubleClick }: HandleProps) {
  const { long } = useUnits();
  const end = index === 0 ? ', thick end' : index === count - 1 ? ', tip' : '';
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
    <g
      {...drag}
      role="button"
      tabIndex={0}
      className="line-point"
      aria-label={`Point ${index + 1} of ${count}${end}: ${long(Math.max(0, point.xM))} across, ${long(point.yM)} up. Arrow keys move it, + adds a point, Delete removes it.`}
      transform={`translate(${point.xM} ${spot.heightM - point.yM})`}
      style={{ cursor: 'grab', touchAction: 'none' }}
      onKeyDown={onKeyDown}
      onDoubleClick={onDoubleClick}
    >
      <circle r={22 * px} fill="transparent" />
      <circle className="ring" r={9 * px} fill="#fffaf0" stroke="#1f2637" strokeWidth={2.5 * px} />
    </g>
  );
}
