import type { Point, Spot } from '@early-lantern/contract';
import { METRES_PER_INCH } from '@early-lantern/core';
import { Box } from '@mui/material';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef, useState } from 'react';
import { arrowMove } from '../parts/arrow-move.ts';
import { useSize } from '../parts/useSize.ts';
import { SpotDrawing, spotFrame } from '../pieces/SpotDrawing.tsx';
import { SurveyMarks } from '../pieces/SurveyMarks.tsx';
import { useUnits } from '../preferences.tsx';
import { type Mark, marksOf, withMark } from './marks.ts';
import { SizeGrip } from './SizeGrip.tsx';

interface SpotEditorProps {
  spot: Spot;
  indoors: boolean;
  chosen: string | undefined;
  onChoose: (id: string) => void;
  /** Changes a mark as it is by then: presses come faster than they are saved. */
  onMark: (id: string, edit: (mark: Mark) => Mark) => void;
  onOutline: (edit: (outline: readonly Point[]) => Point[]) => void;
}

const KEYS_ARE_OURS = { pointer: { keys: false } };

/** The spot to scale with what was surveyed on it; marks are dragged, snapping to inches, or moved by arrow keys. */
export function SpotEditor({ spot, indoors, chosen, onChoose, onMark, onOutline }: SpotEditorProps) {
  const frame = useRef<HTMLDivElement>(null);
  const size = useSize(frame);
  const { units, long } = useUnits();
  const { box, perM } = spotFrame(spot, size);
  const snapM = units === 'imperial' ? METRES_PER_INCH : 0.02;
  // Kept here until the hand lets go: only then it is saved.
  const [dragged, setDragged] = useState<Mark>();
  const [corners, setCorners] = useState<Point[]>();
  const outlined = corners ? { ...spot, outline: corners } : spot;
  const shown = dragged ? withMark(outlined, dragged) : outlined;
  const marks = marksOf(shown);
  const px = 1 / perM;
  const snap = (value: number, max: number) =>
    Number((Math.round(Math.min(max, Math.max(0, value)) / snapM) * snapM).toFixed(5));
  const at = (mark: Mark, xM: number, yM: number): Mark => ({
    ...mark,
    xM: snap(xM, spot.widthM),
    yM: snap(yM, spot.heightM),
  });
  const sized = (mark: Mark, widthM: number, heightM: number): Mark => ({
    ...mark,
    widthM: Math.max(snapM, snap(widthM, 60)),
    heightM: Math.max(snapM, snap(heightM, 20)),
  });
  const lengthened = (mark: Mark, lengthM: number): Mark => ({ ...mark, lengthM: snap(lengthM, 60) });

  const bind = useDrag(({ args: [mark, part], movement: [mx, my], memo, last, event }) => {
    event.stopPropagation();
    const start = (memo ?? mark) as Mark;
    const next =
      part === 'place'
        ? at(start, start.xM + mx * px, start.yM - my * px)
        : part === 'size'
          ? sized(start, (start.widthM ?? 0) + mx * px, (start.heightM ?? 0) - my * px)
          : lengthened(start, (start.lengthM ?? 0) + mx * px);
    if (last) {
      setDragged(undefined);
      if (mx !== 0 || my !== 0) onMark(next.id, () => next);
    } else setDragged(next);
    return start;
  }, KEYS_ARE_OURS);
  const cornerAt = (outline: readonly Point[], index: number, xM: number, yM: number): Point[] =>
    outline.map((corner, i) =>
      i === index ? { xM: snap(xM, spot.widthM), yM: snap(yM, spot.heightM) } : corner,
    );
  const bindCorner = useDrag(({ args: [index], movement: [mx, my], memo, last, event }) => {
    event.stopPropagation();
    const start = (memo ?? spot.outline?.[index as number]) as Point;
    const to = [index as number, start.xM + mx * px, start.yM - my * px] as const;
    const next = cornerAt(spot.outline ?? [], ...to);
    if (last) {
      setCorners(undefined);
      if (mx !== 0 || my !== 0) onOutline((outline) => cornerAt(outline, ...to));
    } else setCorners(next);
    return start;
  }, KEYS_ARE_OURS);
  const onCornerKey = (event: KeyboardEvent, index: number, corner: Point) => {
    const move = arrowMove(event, snapM);
    if (!move) return;
    onOutline((outline) => {
      const now = outline[index] ?? corner;
      return cornerAt(outline, index, now.xM + move[0], now.yM + move[1]);
    });
    event.preventDefault();
  };
  const onKey = (event: KeyboardEvent, mark: Mark) => {
    const move = arrowMove(event, snapM);
    if (!move) return;
    onMark(mark.id, (now) => at(now, now.xM + move[0], now.yM + move[1]));
    event.preventDefault();
  };

  return (
    <Box ref={frame} sx={{ width: '100%', height: '100%', minHeight: 320, position: 'relative' }}>
      {size.width > 0 && (
        <svg
          viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
          width={size.width}
          height={size.height}
          role="application"
          aria-label={`${spot.name}, its survey drawn to scale`}
          style={{ position: 'absolute', inset: 0, display: 'block', borderRadius: 10, userSelect: 'none' }}
        >
          <SpotDrawing spot={shown} indoors={indoors} box={box} perM={perM} withMarks={false} />
          <SurveyMarks spot={shown} perM={perM} />
          {(shown.outline ?? []).map((corner, index) => (
            // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
            <g
              // Corners have no other name than their place.
              // biome-ignore lint/suspicious/noArrayIndexKey: see above
              key={index}
              {...bindCorner(index)}
              role="button"
              tabIndex={0}
              className="line-point"
              aria-label={`Corner ${index + 1}: ${long(corner.xM)} across, ${long(corner.yM)} up. Arrow keys move it.`}
              onKeyDown={(event) => onCornerKey(event, index, corner)}
              transform={`translate(${corner.xM} ${spot.heightM - corner.yM})`}
              style={{ cursor: 'grab', touchAction: 'none' }}
            >
              <circle r={18 * px} fill="transparent" />
              <circle className="ring" r={6 * px} fill="#fffaf0" stroke="#1f2637" strokeWidth={2 * px} />
            </g>
          ))}
          {marks.map((mark) => (
            <g key={mark.id}>
              {/* biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing */}
              <g
                {...bind(mark, 'place')}
                role="button"
                tabIndex={0}
                className="line-point"
                aria-label={`${mark.what}: ${long(mark.xM)} across, ${long(mark.yM)} up. Arrow keys move it.`}
                aria-pressed={mark.id === chosen}
                onPointerDown={(event) => {
                  bind(mark, 'place').onPointerDown?.(event);
                  onChoose(mark.id);
                }}
                onFocus={() => onChoose(mark.id)}
                onKeyDown={(event) => onKey(event, mark)}
                style={{ cursor: 'grab', touchAction: 'none' }}
              >
                <rect
                  x={mark.xM - (mark.widthM ? 0 : 14 * px)}
                  y={spot.heightM - mark.yM - (mark.heightM ?? 0) - (mark.heightM ? 0 : 14 * px)}
                  width={Math.max(28 * px, mark.widthM ?? mark.lengthM ?? 0)}
                  height={Math.max(28 * px, mark.heightM ?? 0)}
                  fill="transparent"
                  stroke={mark.id === chosen ? '#1f2637' : 'none'}
                  strokeWidth={2 * px}
                  className="ring"
                />
              </g>
              {mark.id === chosen && (mark.widthM !== undefined || mark.list === 'fixings') && (
                <SizeGrip
                  {...bind(mark, mark.widthM === undefined ? 'length' : 'size')}
                  transform={`translate(${mark.xM + (mark.widthM ?? mark.lengthM ?? 0)} ${spot.heightM - mark.yM - (mark.heightM ?? 0)})`}
                  px={px}
                />
              )}
            </g>
          ))}
        </svg>
      )}
    </Box>
  );
}
