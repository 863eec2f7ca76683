import type { SVGProps } from 'react';

/** The square at the corner of a mark that is pulled to size it; `px` a pixel in the drawing's own unit. */
export function SizeGrip({ px, ...drag }: SVGProps<SVGGElement> & { px: number }) {
  return (
    <g {...drag} style={{ cursor: 'nesw-resize', touchAction: 'none', ...drag.style }}>
      <circle r={16 * px} fill="transparent" />
      <rect
        x={-6 * px}
        y={-6 * px}
        width={12 * px}
        height={12 * px}
        rx={2 * px}
        fill="#fffaf0"
        stroke="#1f2637"
        strokeWidth={2 * px}
      />
    </g>
  );
}
