import type { LoadedItem, VehicleLoad } from '@early-lantern/contract';
import { useRef, useState } from 'react';
import { itemName } from './item-name.ts';
import { looks } from './kinds.ts';

const INK = '#1f2637';
/** Around a vehicle's outline, mm. */
const MARGIN = 170;

/** Seen from above, or from the left side. */
type Side = 'above' | 'left';

interface LoadDrawingProps {
  load: VehicleLoad;
  side: Side;
  /** Things loaded so far. */
  items: readonly LoadedItem[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
  /** A thing has been taken elsewhere: by so many mm along and across. Left out, nothing can be moved. */
  onDrag?: (id: string, along: number, across: number) => void;
  /** Things that must not lie where they are. */
  wrong?: ReadonlySet<string>;
}

/** A vehicle with its load to scale: its front wall left, its door right. Prints, and needs no graphics card. */
export function LoadDrawing({ load, side, items, chosen, onChoose, onDrag, wrong }: LoadDrawingProps) {
  const { l, w, h, doorW, doorH } = load.room;
  const up = side === 'above' ? w : h;
  const box = {
    x: -MARGIN,
    y: -MARGIN * 1.3,
    width: l + 2 * MARGIN,
    height: up + 2.3 * MARGIN,
  };
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ id: string; x: number; y: number; dx: number; dy: number }>();
  // Its front to the left, its left side is at the bottom as seen from above.
  const rect = (one: Pick<LoadedItem, 'x' | 'y' | 'z' | 'l' | 'w' | 'h'>) =>
    side === 'above'
      ? { x: one.x, y: w - one.y - one.w, width: one.l, height: one.w }
      : { x: one.x, y: h - one.z - one.h, width: one.l, height: one.h };
  /** Nearest the eye last. */
  const drawn = [...items].sort((a, b) => (side === 'above' ? a.z - b.z : b.y - a.y));
  const scale = () => box.width / (svg.current?.getBoundingClientRect().width || box.width);
  const doorFrom = side === 'above' ? (w - doorW) / 2 : h - doorH;
  const doorTo = side === 'above' ? (w + doorW) / 2 : h;
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      ref={svg}
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      role="img"
      aria-label={`${load.name} ${side === 'above' ? 'from above' : 'from its left side'}, ${items.length} things loaded`}
      style={{ width: '100%', display: 'block', touchAction: onDrag ? 'none' : undefined }}
      onPointerMove={(event) => {
        if (!drag) return;
        const k = scale();
        setDrag({ ...drag, dx: (event.clientX - drag.x) * k, dy: (event.clientY - drag.y) * k });
      }}
      onPointerUp={() => {
        if (!drag) return;
        const isMoved = Math.hypot(drag.dx, drag.dy) > 30;
        if (isMoved) onDrag?.(drag.id, Math.round(drag.dx), Math.round(-drag.dy));
        setDrag(undefined);
      }}
    >
      <rect x={0} y={0} width={l} height={up} fill="#f7f1e3" stroke={INK} strokeWidth={14} />
      <path d={`M${l} ${doorFrom}V${doorTo}`} stroke="#fffaf0" strokeWidth={16} />
      <text x={0} y={-50} fontSize={82} fill={INK}>
        {side === 'above' ? 'From above' : 'From the left side'}
      </text>
      <text x={l} y={-50} fontSize={72} fill="#3b4256" textAnchor="end">
        {load.part === 'roof' ? 'rear' : 'door'}
      </text>
      {load.blocked.map((one) => (
        <rect
          key={`${one.label} ${one.x} ${one.y}`}
          {...rect(one)}
          fill="#c9bb9d"
          stroke={INK}
          strokeWidth={4}
          strokeDasharray="26 16"
        >
          <title>{itemName(one)}</title>
        </rect>
      ))}
      {drawn.map((one) => {
        const at = rect(one);
        const { fill, isSoft } = looks[one.kind];
        const isChosen = one.id === chosen;
        const isWrong = wrong?.has(one.id) ?? false;
        const moved = drag?.id === one.id ? drag : { dx: 0, dy: 0 };
        return (
          <g
            key={one.id}
            transform={`translate(${moved.dx} ${moved.dy})`}
            style={{ cursor: onDrag ? 'grab' : 'pointer' }}
            data-load-item={one.id}
            onPointerDown={(event) => {
              onChoose(one.id);
              if (!onDrag) return;
              (event.target as Element).setPointerCapture?.(event.pointerId);
              setDrag({ id: one.id, x: event.clientX, y: event.clientY, dx: 0, dy: 0 });
            }}
          >
            <title>{itemName(one)}</title>
            <rect
              {...at}
              rx={isSoft ? Math.min(at.width, at.height) * 0.22 : 6}
              fill={isWrong ? '#efc9bf' : fill}
              stroke={isWrong ? '#a3341f' : INK}
              strokeWidth={isChosen || isWrong ? 20 : 5}
            />
            {Math.min(at.width, at.height) > 130 && (
              <text
                x={at.x + at.width / 2}
                y={at.y + at.height / 2 + 30}
                textAnchor="middle"
                fontSize={88}
                fill={isSoft ? INK : '#fffaf0'}
                pointerEvents="none"
              >
                {one.order}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
