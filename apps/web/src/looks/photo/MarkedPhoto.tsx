import type { Photo, PhotoMark } from '@early-lantern/contract';
import { type PointerEvent, useRef, useState } from 'react';
import { arrowMove } from '../../parts/arrow-move.ts';
import { LARGER, markWords } from './marking.ts';

interface MarkedPhotoProps {
  photo: Pick<Photo, 'widthPx' | 'heightPx' | 'marks'>;
  src: string;
  name: string;
  chosen: string | undefined;
  onChoose: (id: string) => void;
  /** A place was pressed, as shares of width and height. */
  onAdd: (x: number, y: number) => void;
  onMove: (id: string, dx: number, dy: number) => void;
  onScale: (id: string, by: number) => void;
  onRemove: (id: string) => void;
}

/** One press of an arrow key, as a share of the photo. */
const STEP = 0.005;
/** A hand that moves by less has pressed, px. */
const STILL_PX = 4;
const PAPER = '#fffaf0';
const INK = '#a3341f';

/** A photo with its marks: pressed it takes a new one, a mark is dragged, or moved with the arrow keys. */
export function MarkedPhoto(props: MarkedPhotoProps) {
  const { photo, src, name, chosen, onChoose, onAdd, onMove, onScale, onRemove } = props;
  const { widthPx, heightPx, marks } = photo;
  const drawing = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ id: string; from: [number, number]; by: [number, number] }>();
  const place = ({ clientX, clientY }: PointerEvent): [x: number, y: number] => {
    const { left, top, width, height } = (drawing.current as SVGSVGElement).getBoundingClientRect();
    return [(clientX - left) / width, (clientY - top) / height];
  };
  const take = (event: PointerEvent<SVGGElement>, { id }: PhotoMark) => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    onChoose(id);
    setDrag({ id, from: place(event), by: [0, 0] });
  };
  const follow = (event: PointerEvent) => {
    if (!drag) return;
    const [x, y] = place(event);
    setDrag({ ...drag, by: [x - drag.from[0], y - drag.from[1]] });
  };
  const letGo = () => {
    if (!drag) return;
    const width = drawing.current?.getBoundingClientRect().width ?? 1;
    const [dx, dy] = drag.by;
    if (Math.hypot(dx, dy) * width > STILL_PX) onMove(drag.id, dx, dy);
    setDrag(undefined);
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot be a drawing
    <svg
      ref={drawing}
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      style={{
        width: '100%',
        maxHeight: '62vh',
        display: 'block',
        touchAction: 'pan-y',
        cursor: 'crosshair',
      }}
      role="group"
      aria-label={`Photo of ${name}`}
      onPointerUp={(event) => {
        if (!drag && event.button === 0) onAdd(...place(event));
      }}
    >
      <image href={src} width={widthPx} height={heightPx} />
      {marks.map((mark, i) => {
        const [dx, dy] = drag?.id === mark.id ? drag.by : [0, 0];
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand inside a drawing
          <g
            key={mark.id}
            transform={`translate(${(mark.x + dx) * widthPx} ${(mark.y + dy) * heightPx})`}
            role="button"
            tabIndex={0}
            aria-label={`${i + 1}, ${markWords[mark.kind]}`}
            aria-pressed={mark.id === chosen}
            style={{ cursor: 'move', touchAction: 'none' }}
            onPointerDown={(event) => take(event, mark)}
            onPointerMove={follow}
            onPointerUp={(event) => {
              event.stopPropagation();
              letGo();
            }}
            onPointerCancel={() => setDrag(undefined)}
            onFocus={() => onChoose(mark.id)}
            onKeyDown={(event) => {
              const move = arrowMove(event, STEP);
              if (move) onMove(mark.id, move[0], -move[1]);
              else if (event.key === '+') onScale(mark.id, LARGER);
              else if (event.key === '-') onScale(mark.id, 1 / LARGER);
              else if (event.key === 'Delete') onRemove(mark.id);
              else return;
              event.preventDefault();
            }}
          >
            <Mark mark={mark} number={i + 1} widthPx={widthPx} isChosen={mark.id === chosen} />
          </g>
        );
      })}
    </svg>
  );
}

/** A ring with its number: whole for what is missing, dashed for what is too much. */
function Mark(props: { mark: PhotoMark; number: number; widthPx: number; isChosen: boolean }) {
  const { mark, number, widthPx, isChosen } = props;
  const r = mark.r * widthPx;
  const line = widthPx * (isChosen ? 0.007 : 0.0045);
  const dashes = mark.kind === 'clump' ? `${line * 3} ${line * 2}` : undefined;
  const size = widthPx * 0.032;
  return (
    <>
      {/* Something to press that is wide enough for a thumb. */}
      <circle r={Math.max(r, widthPx * 0.03)} fill="transparent" />
      <circle r={r} fill="none" stroke={PAPER} strokeWidth={line * 2.2} />
      <circle r={r} fill="none" stroke={INK} strokeWidth={line} strokeDasharray={dashes} />
      <g transform={`translate(${r * 0.75} ${-r * 0.75})`}>
        <circle
          r={size * 0.72}
          fill={isChosen ? PAPER : INK}
          stroke={isChosen ? INK : PAPER}
          strokeWidth={line}
        />
        <text
          y={size * 0.34}
          fontSize={size}
          fontWeight={700}
          textAnchor="middle"
          fontFamily="sans-serif"
          fill={isChosen ? INK : PAPER}
        >
          {number}
        </text>
      </g>
    </>
  );
}
