import type { Spot } from '@early-lantern/contract';
import { backOf, METRES_PER_INCH } from '@early-lantern/core';
import { Box } from '@mui/material';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, useRef, useState } from 'react';
import { FloorDrawing } from '../ground/FloorDrawing.tsx';
import { groundFrame } from '../ground/frame.ts';
import { arrowMove } from '../parts/arrow-move.ts';
import { useSize } from '../parts/useSize.ts';
import { useUnits } from '../preferences.tsx';
import { type Mark, marksOf, withMark } from './marks.ts';
import { SizeGrip } from './SizeGrip.tsx';

interface GroundEditorProps {
  spot: Spot;
  chosen: string | undefined;
  onChoose: (id: string) => void;
  /** Changes a mark as it is by then: presses come faster than they are saved. */
  onMark: (id: string, edit: (mark: Mark) => Mark) => void;
}

const KEYS_ARE_OURS = { pointer: { keys: false } };
/** How deep a zone is shown of which nobody has said so, m: as much as there is to take hold of. */
const GRIP_M = 0.6;

/** The floor of a spot from above: what has to stay clear is put where it is from back to front. */
export function GroundEditor({ spot, chosen, onChoose, onMark }: GroundEditorProps) {
  const area = useRef<HTMLDivElement>(null);
  const size = useSize(area);
  const { units, long } = useUnits();
  const snapM = units === 'imperial' ? METRES_PER_INCH : 0.02;
  // Kept here until the hand lets go: only then it is saved.
  const [dragged, setDragged] = useState<Mark>();
  const shown = dragged ? withMark(spot, dragged) : spot;
  // The scale follows what is saved, not what is being dragged.
  const frame = groundFrame(spot, [], size);
  const px = 1 / frame.perM;
  const back = backOf(spot.kind);
  const snap = (value: number, most: number) =>
    Number((Math.round(Math.min(most, Math.max(0, value)) / snapM) * snapM).toFixed(5));
  const at = (mark: Mark, xM: number, frontM: number): Mark => ({
    ...mark,
    xM: snap(xM, spot.widthM),
    frontM: snap(frontM, 60),
  });
  const sized = (mark: Mark, widthM: number, depthM: number): Mark => ({
    ...mark,
    widthM: Math.max(snapM, snap(widthM, 60)),
    depthM: Math.max(snapM, snap(depthM, 60)),
  });
  const bind = useDrag(({ args: [mark, part], movement: [mx, my], memo, last, event }) => {
    event.stopPropagation();
    const start = (memo ?? mark) as Mark;
    const next =
      part === 'place'
        ? at(start, start.xM + mx * px, (start.frontM ?? 0) + my * px)
        : sized(start, (start.widthM ?? 0) + mx * px, (start.depthM ?? GRIP_M) + my * px);
    if (last) {
      setDragged(undefined);
      if (mx !== 0 || my !== 0) onMark(next.id, () => next);
    } else setDragged(next);
    return start;
  }, KEYS_ARE_OURS);
  const onKey = (event: KeyboardEvent, mark: Mark) => {
    const move = arrowMove(event, snapM);
    if (!move) return;
    onMark(mark.id, (now) => at(now, now.xM + move[0], (now.frontM ?? 0) - move[1]));
    event.preventDefault();
  };
  const zones = marksOf(shown).filter(({ list }) => list === 'keepClear');
  return (
    <Box ref={area} sx={{ width: '100%', height: '100%', minHeight: 320, position: 'relative' }}>
      {size.width > 0 && (
        <svg
          viewBox={`${frame.box.x} ${frame.box.y} ${frame.box.w} ${frame.box.h}`}
          width={size.width}
          height={size.height}
          role="application"
          aria-label={`${spot.name}, its floor from above`}
          style={{ position: 'absolute', inset: 0, display: 'block', borderRadius: 10, userSelect: 'none' }}
        >
          <FloorDrawing spot={shown} {...frame} />
          {zones.map((mark) => {
            const { widthM = 0, frontM = 0, depthM = GRIP_M } = mark;
            return (
              <g key={mark.id}>
                {/* biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing */}
                <g
                  {...bind(mark, 'place')}
                  role="button"
                  tabIndex={0}
                  className="line-point"
                  aria-label={`${mark.what}: ${long(mark.xM)} from the left, ${mark.depthM === undefined ? 'at any distance' : `${long(frontM)} to ${long(frontM + depthM)}`} from the ${back}. Arrow keys move it.`}
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
                    x={mark.xM}
                    y={frontM}
                    width={Math.max(28 * px, widthM)}
                    height={Math.max(28 * px, depthM)}
                    fill="transparent"
                    stroke={mark.id === chosen ? '#1f2637' : 'none'}
                    strokeWidth={2 * px}
                    className="ring"
                  />
                </g>
                {mark.id === chosen && (
                  <SizeGrip
                    {...bind(mark, 'size')}
                    transform={`translate(${mark.xM + widthM} ${frontM + depthM})`}
                    style={{ cursor: 'nwse-resize' }}
                    px={px}
                  />
                )}
              </g>
            );
          })}
        </svg>
      )}
    </Box>
  );
}
